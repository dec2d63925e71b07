/**
 * On a phone a table that is wider than its room is stacked: each row a block, each figure under the name of
 * its column. One that fits stays a table.
 */
import { useMutationObserver, useResizeObserver } from '@vueuse/core'

/** A column with a cell of more letters is given the whole width. */
const LONG = 40

const columnsOf = (table: HTMLTableElement): string[] =>
  [...(table.tHead?.rows[0]?.cells ?? [])].flatMap(cell => [
    cell.textContent?.trim() ?? '',
    ...Array.from({ length: cell.colSpan - 1 }, () => ''),
  ])

function fit(table: HTMLTableElement, room: number): void {
  table.classList.remove('stacked')
  if (table.scrollWidth <= room + 1) return
  const names = columnsOf(table)
  const rows = [...table.tBodies].flatMap(body => [...body.rows]),
    cells = rows.flatMap(row => {
      let column = 0
      return [...row.cells].map(cell => {
        const at = column
        column += cell.colSpan
        return { cell, at }
      })
    })
  const wordy = new Set(
    cells.filter(({ cell }) => (cell.textContent ?? '').trim().length > LONG).map(({ at }) => at),
  )
  for (const { cell, at } of cells) {
    const name = names[at] ?? ''
    if (cell.dataset.column !== name) cell.dataset.column = name
    cell.classList.toggle('wordy', wordy.has(at))
  }
  table.classList.add('stacked')
}

export function useStackedTables(root: Ref<HTMLElement | null>, small: Ref<boolean>): void {
  let asked = false
  function refit() {
    if (asked) return
    asked = true
    requestAnimationFrame(() => {
      asked = false
      const own = root.value
      if (!own) return
      const { paddingLeft, paddingRight } = getComputedStyle(own)
      const room = own.clientWidth - parseFloat(paddingLeft) - parseFloat(paddingRight)
      for (const table of own.querySelectorAll<HTMLTableElement>('table.ledger'))
        if (small.value) fit(table, room)
        else table.classList.remove('stacked')
    })
  }
  // Classes and marks are not watched: what is done here calls for nothing.
  useMutationObserver(root, refit, { childList: true, characterData: true, subtree: true })
  useResizeObserver(root, refit)
  watch([root, small], refit)
}
