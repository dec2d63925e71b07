import { DEMOS } from '../core/demo'
import { DocumentError } from '../core/document'
import type { Arguments } from './answer'

export function demoVerb({ file }: Arguments): unknown {
  const demo = file === undefined ? DEMOS[0] : DEMOS.find(doc => doc.id === file)
  if (!demo)
    throw new DocumentError('', `no demo of that name; demos: ${DEMOS.map(doc => doc.id).join(', ')}`)
  return demo
}
