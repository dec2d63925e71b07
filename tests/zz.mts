import { writeFileSync } from 'node:fs'
import { Page } from './support/page'
import { setViewport } from './support/browser'
import { DEMOS } from '../core/demo'
const page = await Page.open()
const shot = async (n: string) => { await new Promise(r => setTimeout(r, 1500)); writeFileSync(`/tmp/base/${n}.png`, await page.driver.takeScreenshot(), 'base64') }
try {
  await page.fresh('/shape', DEMOS[0])
  await page.choose('[data-field="second-wing"]', 'Over the first: biplane')
  await shot('b1')
  await page.driver.executeScript(`document.querySelector('[data-view="front"]')?.click()`)
  await shot('b2')
  await page.station('spine')
  await shot('b3')
} catch (e) { console.error(e); await shot('bx') } finally { await page.close() }
