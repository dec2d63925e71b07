import { startServer } from './support/server'
import { openBrowser } from './support/browser'
const s = await startServer(); const b = await openBrowser()
await b.driver.get(s.url+'/build'); await new Promise(r=>setTimeout(r,8000))
console.log((await b.driver.findElement({css:'body'}).then((e:any)=>e.getText())).slice(0,600))
const logs = await b.driver.manage().logs().get('browser'); for (const l of logs) console.log(l.level.name, l.message.slice(0,400))
await b.close(); s.stop(); process.exit(0)
