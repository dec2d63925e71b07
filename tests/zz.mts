import { writeFileSync } from 'node:fs'
import { Page } from './support/page'
import { ribbed } from '../core/testing/ribbed'
const page = await Page.open()
const shot = async (n: string) => writeFileSync(`/tmp/base/${n}.png`, Buffer.from(await page.driver.takeScreenshot(), 'base64'))
try {
  await page.anew('/skin', ribbed())
  await page.choose('[data-field="zone"]', 'Inner wing')
  await page.settled()
  await new Promise(r => setTimeout(r, 4000))
  await shot('skin')
  await page.reveal('[data-text="ribs"]'); await shot('skin2'); await page.press('[data-view="space"]').catch(async()=>{ for (const b of await page.driver.findElements({css:'button'})) if ((await b.getText())==='In space') await b.click() }); await new Promise(r => setTimeout(r, 6000)); await shot('space')
  await page.station('build'); await new Promise(r => setTimeout(r, 4000)); await shot('build')
} finally { await page.close() }
