/** Aircraft with pods: Thistledown with its drive in a pair of them, and a pair of booms behind. mm */
import type { Pod, ProjectFile } from '../document'
import { DEMOS } from '../demo'
import { changed } from './changed'

const [thistledown] = DEMOS

/** Round, closed in front by a firewall, its back set under the wing. */
export const motorPod = (doc: ProjectFile, yMm: number): Pod => {
  const zone = doc.body!.stations[0].zone
  const station = (xMm: number, size: number, zMm: number) => ({
    xMm,
    widthMm: size,
    heightMm: size,
    zMm,
    squareness: 0,
    zone,
  })
  return {
    id: 'nacelle',
    name: 'Nacelle',
    piece: 1,
    xMm: doc.wing.xMm - 80,
    yMm,
    zMm: doc.wing.zMm + 4,
    pair: true,
    duct: null,
    cuts: [],
    body: {
      stations: [station(0, 36, 0), station(80, 38, 0), station(160, 26, -2), station(220, 10, 0)],
      firewall: { thicknessMm: 3, bolts: 4, boltCircleMm: 16, boltMm: 3.2, shaftMm: 8 },
      openings: [],
      saddle: { clearanceMm: 0.3, bolts: 0, boltMm: 3 },
    },
  }
}

const DRIVE: ReadonlySet<string> = new Set(['motor', 'propeller', 'speed-controller'])

/** Motors, propellers and controllers in both pods, `yMm` from the middle. */
export const twin = (yMm = 230): ProjectFile =>
  changed(thistledown, doc => {
    const pod = motorPod(thistledown, yMm)
    doc.pods = [pod]
    for (const item of doc.equipment)
      if (DRIVE.has(item.kind)) {
        item.pair = true
        item.yMm = yMm
        item.zMm = pod.zMm
        item.bay = null
      }
  })

/** The same with the boom as a pair that runs into the pods. */
export const twinBoom = (yMm = 230): ProjectFile =>
  changed(twin(yMm), doc => {
    const { stations } = doc.pods[0].body
    doc.boom = { ...doc.boom!, yMm, zMm: doc.pods[0].zMm, fromMm: doc.pods[0].xMm + 120 }
    // The tailplane reaches from one to the other.
    const tail = doc.tail.horizontal!
    tail.panels[0].spanMm = yMm - tail.yMm
    stations[stations.length - 1] = { ...stations[stations.length - 1], widthMm: 20, heightMm: 20 }
  })
