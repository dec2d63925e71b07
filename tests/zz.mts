import { openBrowser, settled } from './support/browser'
import { startServer } from './support/server'
import { writeFileSync } from 'node:fs'
import { By } from 'selenium-webdriver'
const server = await startServer()
const b = await openBrowser({ watchNetwork: false })
const d = b.driver
const shot = async (name: string) =>
  writeFileSync(`/tmp/base/${name}.png`, Buffer.from(await d.takeScreenshot(), 'base64'))
const sleep = (ms: number) => new Promise(r => setTimeout(r, ms))
await d.get(server.url + '/print')
await settled(d)
await sleep(2500)
await shot('p1')
for (const t of ['week', 'shelf', 'check', 'pieces']) {
  await d.findElement(By.css(`[data-tab="${t}"]`)).click()
  await sleep(900)
  await shot('p-' + t)
}
console.log((await d.manage().logs().get('browser')).map(l => l.message).slice(0, 10))
await b.close()
server.stop()
