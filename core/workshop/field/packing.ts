/** What to take along, by what this aircraft is made of and held together with. */
import { allControls, tailInSlots, type ProjectFile } from '../../document'
import { q, say, type Words } from '../../units'

export interface PackItem {
  id: string
  group: 'Aircraft' | 'Power' | 'Tools and spares' | 'Safety and papers'
  what: Words
}

export function packingList(doc: ProjectFile): PackItem[] {
  const { equipment, cuts, brief, field } = doc
  const has = (kind: string) => equipment.some(item => item.kind === kind)
  const plugs = cuts.wing.some(cut => cut.joint.kind === 'plug')
  const joiner = doc.spars.filter(spar => spar.fixing === 'removable')
  const controls = allControls(doc)
  const hinges = new Set(controls.map(control => control.hinge.kind))
  const packs = field.packs.filter(pack => !pack.retired)
  const list: Array<PackItem | false> = [
    { id: 'airframe', group: 'Aircraft', what: 'Wing, body, tail, hatches' },
    joiner.length > 0 && {
      id: 'joiner',
      group: 'Aircraft',
      what: say`Wing joiner: ${joiner.map(spar => spar.name).join(', ')}`,
    },
    plugs && { id: 'joint-tape', group: 'Aircraft', what: 'Tape for the joints that plug together' },
    doc.body !== null && {
      id: 'wing-bolts',
      group: 'Aircraft',
      what: 'Wing bolts or bands, and two to spare',
    },
    doc.tail.screws > 0 && {
      id: 'tail-screws',
      group: 'Aircraft',
      what: say`Screws of the tail, two to spare, and what turns them`,
    },
    tailInSlots(doc) && {
      id: 'tail-tape',
      group: 'Aircraft',
      what: 'Clear tape for the roots of the tail',
    },
    doc.wingSets.length > 0 && {
      id: 'wing-sets',
      group: 'Aircraft',
      what: say`Other wings: ${doc.wingSets.map(set => set.name).join(', ')}`,
    },
    has('payload') && { id: 'payload', group: 'Aircraft', what: 'Payload, and what it is filled with' },
    brief.launch === 'bungee' && { id: 'bungee', group: 'Aircraft', what: 'Bungee, stake, line and pedal' },
    has('battery') && {
      id: 'packs',
      group: 'Power',
      what: packs.length
        ? say`Packs, charged: ${packs.map(pack => pack.name).join(', ')}`
        : 'Flight packs, charged',
    },
    has('battery') && {
      id: 'bag',
      group: 'Power',
      what: 'Fireproof bag or tin for packs; charger or checker',
    },
    { id: 'radio', group: 'Power', what: 'Transmitter, charged, the right model chosen' },
    has('propeller') && {
      id: 'propeller',
      group: 'Power',
      what: 'Spare propeller, adaptor, spanner',
    },
    {
      id: 'keys',
      group: 'Tools and spares',
      what: 'Hex keys and screwdrivers for every screw of it; pliers, knife',
    },
    {
      id: 'glue',
      group: 'Tools and spares',
      what:
        doc.build.glues.joints === 'ca-activator' || doc.build.glues.joints === 'ca-slow'
          ? 'Cyanoacrylate with activator, tape, a splint of carbon or wood'
          : 'Fast glue of your kind, tape, a splint of carbon or wood',
    },
    hinges.has('tape') && { id: 'hinge-tape', group: 'Tools and spares', what: 'Hinge tape' },
    controls.length > 0 && {
      id: 'clevises',
      group: 'Tools and spares',
      what: 'Spare clevis, horn, servo arm and its screw',
    },
    has('battery') && {
      id: 'strap',
      group: 'Tools and spares',
      what: 'Spare battery strap and hook tape',
    },
    brief.landing === 'wheels' && {
      id: 'wheels',
      group: 'Tools and spares',
      what: 'Wheel collars and their key',
    },
    { id: 'balance', group: 'Tools and spares', what: 'Balance stand or two fingers’ marks, gram weights' },
    {
      id: 'first-aid',
      group: 'Safety and papers',
      what: 'First-aid kit with eye wash; water; sand or an extinguisher for packs',
    },
    {
      id: 'papers',
      group: 'Safety and papers',
      what: 'What the authority, the club and the owner of the place ask for; insurance',
    },
    {
      id: 'phone',
      group: 'Safety and papers',
      what: say`Phone, hat, sun glasses${windWords(brief.windMaxMs)}`,
    },
  ]
  return list.filter((item): item is PackItem => item !== false)
}

const windWords = (limit: number): Words => say`, wind meter (your limit: ${q(limit, 'm/s')})`
