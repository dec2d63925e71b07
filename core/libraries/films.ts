/**
 * What ribs are covered with. Made-up entries with typical properties of polyester films and of tissue, glue, dope and
 * laps left out of `arealMass` but what the film itself carries.
 */
import type { Ribs } from '../document'
import { gpaToPa, mpaToPa } from '../units'

export interface Film {
  id: string
  name: string
  /** Of one side, with its own glue or dope, kg/m². */
  arealMass: number
  /** m */
  thickness: number
  /** Along the film, Pa. */
  modulus: number
  strength: number
  /** Temperature of the iron that bonds or tightens it, °C; null where nothing hot comes near the ribs. */
  ironC: number | null
  /** Dope and contact glue give off solvent. */
  solvent: boolean
  /** Of a square metre. */
  price: number
  summary: string
}

export const FILMS: readonly Film[] = [
  {
    id: 'film-iron-light',
    name: 'Iron-on film, light, 36 g/m²',
    arealMass: 0.036,
    thickness: 18e-6,
    modulus: gpaToPa(3.2),
    strength: mpaToPa(110),
    ironC: 110,
    solvent: false,
    price: 9,
    summary: 'glue on one side, tightens with heat; for wings of up to a metre and a half',
  },
  {
    id: 'film-iron',
    name: 'Iron-on film, 65 g/m²',
    arealMass: 0.065,
    thickness: 28e-6,
    modulus: gpaToPa(3.2),
    strength: mpaToPa(110),
    ironC: 125,
    solvent: false,
    price: 7,
    summary: 'stiff and tough; its colour and its glue are half of its weight',
  },
  {
    id: 'film-laminating',
    name: 'Laminating film, 30 g/m²',
    arealMass: 0.03,
    thickness: 15e-6,
    modulus: gpaToPa(2.4),
    strength: mpaToPa(70),
    ironC: 90,
    solvent: false,
    price: 2,
    summary: 'of the pouch kind: softens early, bonds to clean plastic',
  },
  {
    id: 'film-hall',
    name: 'Hall film, 3 g/m²',
    arealMass: 0.003,
    thickness: 2e-6,
    modulus: gpaToPa(3.5),
    strength: mpaToPa(120),
    ironC: null,
    solvent: true,
    price: 12,
    summary: 'two micrometres, laid on contact glue; tears at a touch',
  },
  {
    id: 'tissue-dope',
    name: 'Tissue and dope, 28 g/m²',
    arealMass: 0.028,
    thickness: 40e-6,
    modulus: gpaToPa(2),
    strength: mpaToPa(25),
    ironC: null,
    solvent: true,
    price: 4,
    summary: 'stiffer against twist than film of the same weight, slack when damp, and it splits',
  },
]

/** What a zone of ribs begins with: wings of half a metre to a metre and a half. */
export const USUAL_RIBS: Ribs = { pitchMm: 60, thicknessMm: 1.6, rimMm: 3, film: FILMS[0].id }

/** Film by its id; the first of the shelf stands in for one that is unknown, and a finding names it. */
export const filmOr = (films: readonly Film[], id: string): Film =>
  films.find(film => film.id === id) ?? films[0]
