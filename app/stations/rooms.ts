/** What each station shows: its tray at the right, its bench under the aircraft, and how the room is shared. */
import type { Component } from 'vue'
import type { ViewName } from '~/stores/view'
import BriefBench from '~/components/brief/BriefBench.vue'
import ShapeBench from '~/components/shape/ShapeBench.vue'
import PowerBench from '~/components/power/PowerBench.vue'
import SkinBench from '~/components/skin/SkinBench.vue'
import SpineBench from '~/components/spine/SpineBench.vue'
import SplitBench from '~/components/split/SplitBench.vue'
import BalanceBench from '~/components/balance/BalanceBench.vue'
import ChooseBench from '~/components/choose/ChooseBench.vue'
import PrintBench from '~/components/print/PrintBench.vue'
import WeighBench from '~/components/weigh/WeighBench.vue'
import BuildBench from '~/components/build/BuildBench.vue'
import ProveBench from '~/components/prove/ProveBench.vue'
import TossBench from '~/components/toss/TossBench.vue'
import FieldBench from '~/components/field/FieldBench.vue'
import LogBench from '~/components/log/LogBench.vue'
import BriefTray from '~/components/brief/BriefTray.vue'
import ShapeTray from '~/components/shape/ShapeTray.vue'
import PowerTray from '~/components/power/PowerTray.vue'
import SkinTray from '~/components/skin/SkinTray.vue'
import SpineTray from '~/components/spine/SpineTray.vue'
import SplitTray from '~/components/split/SplitTray.vue'
import BalanceTray from '~/components/balance/BalanceTray.vue'
import ChooseTray from '~/components/choose/ChooseTray.vue'
import PrintTray from '~/components/print/PrintTray.vue'
import WeighTray from '~/components/weigh/WeighTray.vue'
import BuildTray from '~/components/build/BuildTray.vue'
import ProveTray from '~/components/prove/ProveTray.vue'
import TossTray from '~/components/toss/TossTray.vue'
import FieldTray from '~/components/field/FieldTray.vue'
import LogTray from '~/components/log/LogTray.vue'
import type { StationId } from './path'

export interface StationRoom {
  tray: Component
  bench: Component
  /** The bench's share of the height at first, 0 to 1: where the drawing is not the subject it yields; 1 folds it. */
  share: number
  /** The view that is opened on arriving; the last plan or space view otherwise. */
  view?: ViewName
  /** On a phone the bench comes first, the drawing when it is asked for. */
  folds?: boolean
}

export const ROOMS: Record<StationId, StationRoom> = {
  brief: { tray: BriefTray, bench: BriefBench, share: 0.4 },
  shape: { tray: ShapeTray, bench: ShapeBench, share: 0.47 },
  power: { tray: PowerTray, bench: PowerBench, share: 1 },
  skin: { tray: SkinTray, bench: SkinBench, share: 0.42 },
  spine: { tray: SpineTray, bench: SpineBench, share: 0.62 },
  split: { tray: SplitTray, bench: SplitBench, share: 0.4 },
  balance: { tray: BalanceTray, bench: BalanceBench, share: 0.42, view: 'side' },
  choose: { tray: ChooseTray, bench: ChooseBench, share: 1 },
  print: { tray: PrintTray, bench: PrintBench, share: 1 },
  weigh: { tray: WeighTray, bench: WeighBench, share: 0.5, folds: true },
  build: { tray: BuildTray, bench: BuildBench, share: 1 },
  prove: { tray: ProveTray, bench: ProveBench, share: 0.66, view: 'front' },
  toss: { tray: TossTray, bench: TossBench, share: 1 },
  field: { tray: FieldTray, bench: FieldBench, share: 0.62, view: 'side', folds: true },
  log: { tray: LogTray, bench: LogBench, share: 0.66, view: 'side', folds: true },
}
