import { Page } from './support/page'
import { DEMOS } from '../core/demo'
const page = await Page.open('/build')
await page.fresh('/build', DEMOS[1]); await page.until('[data-act="done"]')
await new Promise(r=>setTimeout(r,6000))
for (let i=0;i<8;i++){ const t=Date.now(); await page.find('[data-act="done"]').then(e=>e.click()); const t1=Date.now(); await page.settled(); const t2=Date.now(); console.log(t1-t, t2-t1, await (await page.find('.shell')).getAttribute('data-latency')) }
for (const tab of ['order']) { await page.press('[data-tab="order"]') ; const t=Date.now(); await page.settled(); console.log('order', Date.now()-t)}
await page.close(); process.exit(0)
