/** An empty bench: a plain wing, a printer, usual targets; everything else is the maker's. */
import type { ProjectFile } from '../document'
import { LIBRARIES, recipeById } from '../libraries'
import { briefFor } from './first-sketch'
import { frame } from './frame'
import { PURPOSES } from './purposes'
import { readWishes } from './wishes'

export function emptyProject(): ProjectFile {
  const wishes = readWishes({ purpose: 'gentle' })
  const light = 'pla-foam'
  return frame(
    { id: 'empty', name: 'New aircraft', purpose: '' },
    {
      wing: {
        xMm: 0,
        yMm: 0,
        zMm: 0,
        incidenceDeg: 0,
        cantDeg: 0,
        mirror: true,
        rootChordMm: 170,
        rootAerofoil: 'naca4412',
        twistAxisShare: 0.25,
        tip: { kind: 'rounded', lengthMm: 14 },
        panels: [
          {
            spanMm: 200,
            tipChordMm: 170,
            sweepMm: 0,
            dihedralDeg: 3,
            tipTwistDeg: 0,
            tipAerofoil: 'naca4412',
            zone: 'wing',
          },
          {
            spanMm: 220,
            tipChordMm: 130,
            sweepMm: 16,
            dihedralDeg: 3,
            tipTwistDeg: -2,
            tipAerofoil: 'naca4412',
            zone: 'wing',
          },
        ],
        controls: [],
      },
      tail: { kind: 'none', screws: 0, slots: false, horizontal: null, vertical: null },
      body: null,
      boom: null,
      zones: [
        {
          id: 'wing',
          name: 'Wing',
          ribs: null,
          sheet: null,
          filament: light,
          recipe: recipeById(
            'spiral-lattice',
            LIBRARIES.filaments.find(item => item.id === light),
          ),
        },
      ],
      spars: [],
      equipment: [],
      gear: [],
    },
    briefFor(wishes, PURPOSES.gentle, PURPOSES.gentle.stallMs, PURPOSES.gentle.spanMaxMm, 400, 20, 0),
    wishes,
    null,
  )
}
