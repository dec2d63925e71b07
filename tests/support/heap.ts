/** What a page and its workers hold in memory, once nobody's rubbish is left. */
import type { WebDriver } from 'selenium-webdriver'

/** What of the driver's connection to the browser is used here. */
interface Connection {
  sessionId: string
  _wsConnection: {
    on(event: 'message', hear: (raw: Buffer) => void): void
    send(text: string): void
  }
}
interface Answer {
  id?: number
  method?: string
  params?: { sessionId: string; targetInfo: { type: string } }
  result?: { usedSize: number }
}

export interface Heaps {
  /** Bytes: of the page, and of all its workers together. */
  page: number
  workers: number
}

/** Rubbish of rubbish: what is only held by what is gone goes in the next round. */
const ROUNDS = 3

/** Listens from now on; each call tells what is held then. */
export async function heapsOf(driver: WebDriver): Promise<() => Promise<Heaps>> {
  const connection = (await driver.createCDPConnection('page')) as unknown as Connection
  const socket = connection._wsConnection
  const waiting = new Map<number, (answer: Answer) => void>()
  const workers: string[] = []
  // Far from the numbers that the driver gives its own.
  let last = 1e6
  socket.on('message', raw => {
    const heard = JSON.parse(raw.toString()) as Answer
    if (heard.id !== undefined) waiting.get(heard.id)?.(heard)
    else if (heard.method === 'Target.attachedToTarget' && heard.params!.targetInfo.type === 'worker')
      workers.push(heard.params!.sessionId)
  })
  const ask = (method: string, params: object = {}, sessionId = connection.sessionId) =>
    new Promise<Answer>(resolve => {
      const id = ++last
      waiting.set(id, answer => {
        waiting.delete(id)
        resolve(answer)
      })
      socket.send(JSON.stringify({ id, method, params, sessionId }))
    })
  // Workers that are there are told of before this is answered.
  await ask('Target.setAutoAttach', { autoAttach: true, waitForDebuggerOnStart: false, flatten: true })
  const held = async (sessionId: string) => {
    for (let i = 0; i < ROUNDS; i++) await ask('HeapProfiler.collectGarbage', {}, sessionId)
    return (await ask('Runtime.getHeapUsage', {}, sessionId)).result?.usedSize ?? 0
  }
  return async () => {
    const all = []
    for (const id of workers) all.push(await held(id))
    return { page: await held(connection.sessionId), workers: all.reduce((sum, size) => sum + size, 0) }
  }
}
