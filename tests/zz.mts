import { Page } from './support/page'
import { writeFileSync } from 'node:fs'
import { DEMOS } from '../core/demo'
const page = await Page.open('/build')
const shot = async (n: string) => writeFileSync(`/tmp/base/${n}.png`, Buffer.from(await page.driver.takeScreenshot(), 'base64'))
await page.fresh('/build', DEMOS[0])
await page.until('[data-act="done"]',15000).catch(async e=>{console.log(String(e)); await shot('b0'); console.log(await page.text('.bench'))})
await new Promise(r=>setTimeout(r,3500))
await shot("b1"); console.log(await page.text("body"))
for (let i=0;i<14;i++) await page.act('done')
await new Promise(r=>setTimeout(r,2500))
await shot('b2')
await page.press('[data-tab="order"]'); await shot('b3')
await page.press('[data-tab="have"]'); await new Promise(r=>setTimeout(r,1500)); await shot('b4')
await page.press('[data-tab="rods"]'); await shot('b5')
await page.press('[data-tab="step"]')
await page.driver.manage().window().setRect({width:390,height:844}); await new Promise(r=>setTimeout(r,2500)); await shot('b6')
await page.close()
process.exit(0)
