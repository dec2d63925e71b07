/** The file of a chooser's event; the chooser is emptied, so that the same file can be chosen again. */
export function chosenFile(event: Event): File | null {
  const input = event.target as HTMLInputElement
  const file = input.files?.[0] ?? null
  input.value = ''
  return file
}
/** All of them, where several may be chosen. */
export function chosenFiles(event: Event): File[] {
  const input = event.target as HTMLInputElement
  const files = [...(input.files ?? [])]
  input.value = ''
  return files
}
