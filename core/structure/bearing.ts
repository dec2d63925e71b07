/** Spars that bear on their bores: joiners in their sockets, and the ends of spars. SI. */

/**
 * Greatest force per length, N/m, of a stiff spar pushed `inserted` metres deep into a bore that yields
 * evenly: a couple and a shear at the mouth give a pressure that runs straight from 4V/L + 6M/L² there to
 * −(2V/L + 6M/L²) at the end.
 */
export const socketForce = (moment: number, shear: number, inserted: number): number =>
  (4 * Math.abs(shear)) / inserted + (6 * Math.abs(moment)) / (inserted * inserted)

/** Spars hand on what they carry over at most this many of their heights, however deep they sit. */
const TRANSFER_HEIGHTS = 8

/**
 * Greatest force per length, N/m, where a spar of this height hands its moment on to what goes on beyond its
 * end.
 */
export const endForce = (moment: number, overlap: number, height: number): number =>
  socketForce(moment, 0, Math.min(overlap, TRANSFER_HEIGHTS * height))

/**
 * Force per length that the plastic round a bore bears, N/m: it shears out along both flanks of the ring of
 * walls round the bore, `wall` thick (m), and along the skin over it. `shear` is the plastic's in the plane
 * of the section, Pa.
 */
export const boreBears = (shear: number, wall: number): number => 2 * shear * wall
