/** A few at a time: the others wait in a row of bounded length, and not for ever. */

export interface Turns {
  /** Runs `work` when its turn comes; null where too many stand before it, or its turn does not come in time. */
  inTurn<T>(work: () => Promise<T>): Promise<T | null>
}

export function createTurns({
  atOnce,
  waiting,
  patienceMs,
}: {
  atOnce: number
  waiting: number
  patienceMs: number
}): Turns {
  let running = 0
  const row: Array<() => void> = []
  const turn = () =>
    new Promise<boolean>(resolve => {
      const come = () => {
        clearTimeout(late)
        resolve(true)
      }
      const late = setTimeout(() => {
        row.splice(row.indexOf(come), 1)
        resolve(false)
      }, patienceMs)
      row.push(come)
    })
  return {
    async inTurn(work) {
      if (running < atOnce) running++
      else if (row.length >= waiting || !(await turn())) return null
      try {
        return await work()
      } finally {
        // The turn is handed on, so that nobody slips in between.
        const next = row.shift()
        if (next) next()
        else running--
      }
    },
  }
}
