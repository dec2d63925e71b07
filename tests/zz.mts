import { writeFileSync } from 'node:fs'
import { Page } from './support/page'
import { setViewport } from './support/browser'
import { sheeted } from '../core/testing/sheeted'
const page = await Page.open()
const shot = async (n: string) => writeFileSync(`/tmp/base/${n}.png`, Buffer.from(await page.driver.takeScreenshot(), 'base64'))
try {
  await page.fresh('/skin', sheeted())
  await page.choose('[data-field="zone"]', 'Outer wing')
  await shot('a1')
  await page.station('split'); await shot('a2')
  await page.station('print'); await shot('a3')
  await page.station('build'); await shot('a4')
} finally { await page.close() }
