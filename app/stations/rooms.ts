/**
 * What each station shows: its tray at the right, its bench under the aircraft, and how the room is shared. Their code is
 * fetched when a station is first visited, the rest when the page has nothing else to do.
 */
import type { Component } from 'vue'
import type { ViewName } from '~/stores/view'
import type { StationId } from './path'

export interface StationRoom {
  tray: () => Promise<{ default: Component }>
  bench: () => Promise<{ default: Component }>
  /** The bench's share of the height at first, 0 to 1: where the drawing is not the subject it yields; 1 folds it. */
  share: number
  /** The view that is opened on arriving; the last plan or space view otherwise. */
  view?: ViewName
  /** On a phone the bench comes first, the drawing when it is asked for. */
  folds?: boolean
}

export const ROOMS: Record<StationId, StationRoom> = {
  brief: {
    tray: () => import('~/components/brief/BriefTray.vue'),
    bench: () => import('~/components/brief/BriefBench.vue'),
    share: 0.4,
  },
  shape: {
    tray: () => import('~/components/shape/ShapeTray.vue'),
    bench: () => import('~/components/shape/ShapeBench.vue'),
    share: 0.47,
  },
  power: {
    tray: () => import('~/components/power/PowerTray.vue'),
    bench: () => import('~/components/power/PowerBench.vue'),
    share: 1,
  },
  skin: {
    tray: () => import('~/components/skin/SkinTray.vue'),
    bench: () => import('~/components/skin/SkinBench.vue'),
    share: 0.42,
  },
  spine: {
    tray: () => import('~/components/spine/SpineTray.vue'),
    bench: () => import('~/components/spine/SpineBench.vue'),
    share: 0.62,
  },
  split: {
    tray: () => import('~/components/split/SplitTray.vue'),
    bench: () => import('~/components/split/SplitBench.vue'),
    share: 0.4,
  },
  balance: {
    tray: () => import('~/components/balance/BalanceTray.vue'),
    bench: () => import('~/components/balance/BalanceBench.vue'),
    share: 0.42,
    view: 'side',
  },
  choose: {
    tray: () => import('~/components/choose/ChooseTray.vue'),
    bench: () => import('~/components/choose/ChooseBench.vue'),
    share: 1,
  },
  print: {
    tray: () => import('~/components/print/PrintTray.vue'),
    bench: () => import('~/components/print/PrintBench.vue'),
    share: 1,
  },
  weigh: {
    tray: () => import('~/components/weigh/WeighTray.vue'),
    bench: () => import('~/components/weigh/WeighBench.vue'),
    share: 0.5,
    folds: true,
  },
  build: {
    tray: () => import('~/components/build/BuildTray.vue'),
    bench: () => import('~/components/build/BuildBench.vue'),
    share: 1,
  },
  prove: {
    tray: () => import('~/components/prove/ProveTray.vue'),
    bench: () => import('~/components/prove/ProveBench.vue'),
    share: 0.66,
    view: 'front',
  },
  toss: {
    tray: () => import('~/components/toss/TossTray.vue'),
    bench: () => import('~/components/toss/TossBench.vue'),
    share: 1,
  },
  field: {
    tray: () => import('~/components/field/FieldTray.vue'),
    bench: () => import('~/components/field/FieldBench.vue'),
    share: 0.62,
    view: 'side',
    folds: true,
  },
  log: {
    tray: () => import('~/components/log/LogTray.vue'),
    bench: () => import('~/components/log/LogBench.vue'),
    share: 0.66,
    view: 'side',
    folds: true,
  },
}
