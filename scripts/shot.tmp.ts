import { writeFileSync } from 'node:fs'
import { openBrowser, settled, setViewport } from '/work/main/tests/support/browser'
import { startServer } from '/work/main/tests/support/server'
const server = await startServer(); const b = await openBrowser(); const d = b.driver
// args: name:path[:js]  with @WxH
try { for (const arg of process.argv.slice(2)) { const [name, path, ...js] = arg.split('|'); 
  if (name.startsWith('@')) { const [w,h]=name.slice(1).split('x').map(Number); await setViewport(d,w,h); continue }
  if (path) { await d.get(server.url + path); await settled(d) }
  for (const j of js) { const r = await d.executeScript(j); if (r) console.log(r); await d.sleep(400) }
  await d.sleep(700); writeFileSync(`/tmp/shots/${name}.png`, await d.takeScreenshot(), 'base64') }
  for (const e of await d.manage().logs().get('browser')) console.log('LOG', e.level.name, e.message.slice(0,300))
} finally { await b.close(); server.stop() }
