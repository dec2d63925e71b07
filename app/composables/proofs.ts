/** The tests that can be planned, in words, and how one is begun. */
import type { Draft } from 'immer'
import type { Assessment } from '../../core/assess'
import type { Proof, ProjectFile } from '../../core/document'
import { suggestProof } from '../../core/workshop/readiness'
import { today } from './format'

export const KIND_WORDS: Record<
  Proof['kind'],
  { title: string; about: string; seen: string; at: string; measured: string }
> = {
  trestles: {
    title: 'Two trestles',
    about:
      'Held up under both wings and loaded in the middle: bends the root as in a pull-up, and shows whether the wing is as stiff as computed.',
    seen: 'is how far the middle should sink below the trestles',
    at: 'Trestle from the root',
    measured: 'Middle sank by',
  },
  root: {
    title: 'Held at the root',
    about:
      "One wing held at its root and loaded far out: more bend to read, for small wings; mind the root's skin.",
    seen: 'is how far the loaded place should go down',
    at: 'Load from the root',
    measured: 'Went down by',
  },
  twist: {
    title: 'Twist',
    about:
      'Turned by a mass on a lever near the tip: the stiffness that divergence, flutter and the ailerons depend on.',
    seen: 'is how far the grip should turn',
    at: 'Grip from the root',
    measured: 'Turned by',
  },
  drop: {
    title: 'Drop',
    about:
      'Let fall from a small height on its legs or belly, ready to fly but for battery and propeller: what gives, and how far.',
    seen: 'is how far legs or belly should give',
    at: 'Height of the drop',
    measured: 'Gave by',
  },
}

export function startProof(
  kind: Proof['kind'],
  doc: ProjectFile,
  now: Assessment,
  edit: (label: string, change: (draft: Draft<ProjectFile>) => void) => void,
  look: { proof: string | null },
): void {
  const proof = suggestProof(doc, now, kind, today())
  edit(`Plan a test: ${KIND_WORDS[kind].title.toLowerCase()}`, draft => {
    draft.proofs.push(proof)
  })
  look.proof = proof.id
}
