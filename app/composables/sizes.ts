/** Sizes to begin with: the next stock down and the next two up. */
export function proposals(choices: ReadonlyArray<{ stock: string; factor: number }>): string[] {
  const smaller = choices.filter(item => item.factor < 1 - 1e-9).at(-1),
    larger = choices.filter(item => item.factor > 1 + 1e-9).slice(0, 2)
  return [smaller, ...larger].filter(item => item !== undefined).map(item => item.stock)
}
