import { Page } from './support/page'
import { writeFileSync } from 'node:fs'
import { DEMOS } from '../core/demo'
const page = await Page.open('/build')
const shot = async (n: string) => writeFileSync(`/tmp/base/${n}.png`, Buffer.from(await page.driver.takeScreenshot(), 'base64'))
await page.fresh('/build', DEMOS[0])
await page.until('[data-act="done"]')
await page.press('[data-tab="jigs"]'); await page.until('[data-jig]'); await new Promise(r=>setTimeout(r,800)); await shot('d1')
await page.press('[data-tab="step"]')
for (let i=0;i<9;i++) await page.act('done')
await (page.driver as any).sendDevToolsCommand('Emulation.setDeviceMetricsOverride',{width:390,height:844,deviceScaleFactor:1,mobile:true})
await new Promise(r=>setTimeout(r,2500)); await shot('d2')
await page.driver.executeScript("document.querySelector('[data-card=trap]')?.scrollIntoView({block:'center'})"); await new Promise(r=>setTimeout(r,500)); await shot('d3')
await page.close()
process.exit(0)
