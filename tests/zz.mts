import { Page } from './support/page'
import { DEMOS } from '../core/demo'
import { writeFileSync } from 'node:fs'
const [thistledown, plover] = DEMOS
const page = await Page.open('/power')
const shot = async (name: string) => { await new Promise(r => setTimeout(r, 1200)); writeFileSync(`/tmp/base/${name}.png`, Buffer.from(await page.driver.takeScreenshot(), 'base64')) }
const phone = (on: boolean) => page.driver.sendDevToolsCommand('Emulation.setDeviceMetricsOverride', on ? { width: 390, height: 844, deviceScaleFactor: 1, mobile: true } : { width: 1280, height: 800, deviceScaleFactor: 1, mobile: false })
try {
  const odd = structuredClone(thistledown) as any
  odd.equipment.find((e: any) => e.kind === 'motor').motor = { rpmPerVolt: 120, resistanceOhm: 0.9, noLoadA: 0.2, maxA: 2 }
  odd.equipment.find((e: any) => e.kind === 'motor').name = 'Motor with a very long name that somebody wrote in full, wound for two hundred volts and a lift'
  await page.fresh('/power', odd)
  await page.until('[data-figure="power-sentence"]')
  await shot('q1')
  await phone(true)
  await page.fresh('/power', thistledown)
  await page.until('[data-figure="power-sentence"]')
  await shot('q2')
  await page.go('/maiden')
  await page.until('[data-tab="card"]')
  await page.press('[data-tab="card"]')
  await page.until('[data-table="card-speeds"]')
  await shot('q3')
  await phone(false)
  await page.driver.executeScript(`localStorage.setItem('mariposa-theme','night')`)
  await page.go('/toss')
  await page.press('[data-tab="trainer"]')
  await page.until('[data-act="next-lesson"]')
  await page.act('next-lesson')
  await new Promise(r => setTimeout(r, 2500))
  await shot('q4')
  await page.press('[data-tab="field"]')
  await page.until('[data-act="throw-powered"]')
  await page.act('throw-powered')
  await new Promise(r => setTimeout(r, 800))
  await page.act('lay-toss')
  await page.type('[data-field="toss-throttle"]', '0')
  await shot('q5')
  await page.driver.executeScript(`document.querySelector('.tray').scrollTop = 600`)
  await shot('q6')
} finally { await page.close() }
process.exit(0)
