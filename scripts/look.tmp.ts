import { mkdirSync, writeFileSync } from 'node:fs'
import { By, Key } from 'selenium-webdriver'
import { openBrowser, settled, setViewport } from '../tests/support/browser'
import { startServer } from '../tests/support/server'
import { writeStl } from '../core/printing'
import { revolve } from '../core/testing/meshes'
mkdirSync('/tmp/shots', { recursive: true })
writeFileSync('/tmp/shots/nose ring.stl', writeStl(revolve([[30, 0], [34, 40], [22, 90]], 64), 'ring'))
const server = await startServer(); const b = await openBrowser()
const d = b.driver
const shot = async (n: string) => { await d.sleep(700); writeFileSync(`/tmp/shots/${n}.png`, await d.takeScreenshot(), 'base64'); console.log(n) }
const click = async (s: string) => { await d.executeScript('document.querySelector(arguments[0]).scrollIntoView({block:"center"})', s); await d.findElement(By.css(s)).click() }
const want = process.argv.slice(2)
const run = async (n: string, f: () => Promise<void>) => { if (want.length && !want.includes(n)) return; try { await f() } catch (e) { console.log('FAIL', n, (e as Error).message.slice(0, 300)); await shot(n + '-fail') } }
const go = async (p: string) => { await d.get(server.url + p); await settled(d) }
try {
  await run('split', async () => { await go('/split'); await shot('split') })
  await run('apart', async () => { await go('/split'); await click('[data-view="space"]'); await d.wait(async () => (await d.findElements(By.css('canvas[data-ready="yes"]'))).length > 0, 30000); await d.executeScript('const i=document.querySelector("[data-field=apart]"); i.value=0.7; i.dispatchEvent(new Event("input"))'); await d.sleep(800); await shot('apart') })
  await run('given', async () => { await go('/split'); await d.findElement(By.css('input[aria-label="Part file"]')).sendKeys('/tmp/shots/nose ring.stl'); await d.wait(async () => (await d.findElements(By.css('[data-given]'))).length > 0, 20000); await settled(d); await click('[data-given] summary'); await d.sleep(300); await d.executeScript('document.querySelector("[data-given]").scrollIntoView({block:"start"})'); await shot('given') })
  await run('skin', async () => { await go('/skin'); await d.wait(async () => (await d.findElements(By.css('[data-take]'))).length > 0, 20000); await shot('skin') })
  await run('inside', async () => { await go('/skin'); await click('[data-mode="inside"]'); await d.executeScript('document.querySelector("[data-shape=\'wing-3-starboard\']").dispatchEvent(new MouseEvent("click",{bubbles:true}))'); await d.sleep(600); await shot('inside') })
  await run('foam', async () => { await go('/skin'); await d.executeScript('document.querySelector("[data-shape=\'wing-3-starboard\']").dispatchEvent(new MouseEvent("click",{bubbles:true}))'); await d.sleep(400); await click('[data-test-tube] summary'); await d.sleep(500); await d.executeScript('document.querySelector("[data-test-tube]").scrollIntoView({block:"start"})'); await shot('foam') })
  await run('shape', async () => { await go('/shape'); await d.executeScript('document.querySelector("[data-field=tip-kind]").scrollIntoView({block:"start"})'); await shot('shape') })
  await run('body', async () => { await go('/shape'); await click('[data-surface="body"]'); await d.sleep(300); await d.executeScript('document.querySelector("[data-field=firewall]").scrollIntoView({block:"center"})'); await shot('body') })
  await run('space', async () => { await go('/shape'); await click('[data-view="space"]'); await d.wait(async () => (await d.findElements(By.css('canvas[data-ready="yes"]'))).length > 0, 30000); await shot('space') })
  await run('print', async () => { await go('/print'); await click('[data-act="every-layer"]'); await d.sleep(1500); await shot('print-progress'); await d.wait(async () => (await d.findElements(By.css('[data-every-layer]'))).length > 0, 90000); await d.executeScript('document.querySelector("[data-every-layer]").scrollIntoView({block:"start"})'); await shot('print') })
  await run('gcode', async () => { writeFileSync('/tmp/shots/plate.gcode', ['G21', 'G90', 'M83', ...Array.from({ length: 40 }, (_, k) => [`G0 X60 Y50 Z${(0.25 * (k + 1)).toFixed(2)} F9000`, ...Array.from({ length: 90 }, (_, i) => `G1 X${(50 + 10 * Math.cos(i / 14.3) * (1 - k / 90)).toFixed(3)} Y${(50 + 22 * Math.sin(i / 14.3)).toFixed(3)} E0.06 F2400`)].join('\n'))].join('\n')); await go('/print'); await d.findElement(By.css('input[aria-label="Machine file"]')).sendKeys('/tmp/shots/plate.gcode'); await d.wait(async () => (await d.findElements(By.css('[data-gcode]'))).length > 0, 20000); await shot('gcode') })
  await run('night', async () => { await go('/split'); await click('[data-act="theme"]'); await shot('night') ; await click('[data-act="theme"]') })
  await run('phone', async () => { await setViewport(d, 390, 844); await go('/split'); await shot('phone'); await d.executeScript('window.scrollTo(0, 700)'); await shot('phone2'); await setViewport(d, 1280, 800) })
} finally { await b.close(); server.stop() }
