/** What the maker of Thistledown weighed, checked, flew, broke and wishes for. */
import { NO_FIELD, type ProjectFile } from '../document'
import { demoTrack } from './demo-track'

export const THISTLEDOWN_LOG: Pick<
  ProjectFile,
  'weighIns' | 'measured' | 'checks' | 'flights' | 'tracks' | 'field' | 'damages' | 'wishes'
> = {
  weighIns: [
    {
      piece: 'wing-1-starboard',
      massG: 24.9,
      predictedG: 24.18,
      date: '2026-10-03',
      note: 'first piece; seam a little proud',
    },
    { piece: 'wing-1-port', massG: 24.5, predictedG: 24.18, date: '2026-10-04', note: '' },
    {
      piece: 'body-1',
      massG: 54.0,
      predictedG: 52.69,
      date: '2026-10-05',
      note: 'with base layers for the firewall',
    },
  ],
  measured: { massG: null, cgMm: null, thrustG: null, dragShare: null, scales: null },
  checks: [
    { item: 'surfaces-direction', date: '2026-10-24' },
    { item: 'range', date: '2026-10-24' },
  ],
  flights: [
    {
      id: 'flight-1',
      date: '2026-10-25',
      startedAt: '15:10',
      minutes: 7,
      windMs: 2.5,
      airC: 12,
      pack: 'pack-amber',
      elevatorTrimDeg: -1.5,
      aileronTrimDeg: 0.5,
      usedMah: 640,
      leftPct: 51,
      motorC: 47,
      glideRatio: null,
      landing: 'soft',
      signs: [
        { sign: 'dive', value: 0 },
        { sign: 'pitch', value: 0 },
        { sign: 'turn', value: 0 },
      ],
      behaviour:
        'Glides a little fast hands off; drops the seed without a bob. Empty it wants one click of up less.',
      broke: 'Skid under the nose scuffed through on the second landing.',
      next: 'A thicker skid of tough filament; hopper 10 mm further back.',
    },
    {
      id: 'flight-2',
      date: '2026-11-08',
      startedAt: '14:25',
      minutes: 6.5,
      windMs: 3.5,
      airC: 9,
      pack: 'pack-amber',
      elevatorTrimDeg: -1.2,
      aileronTrimDeg: 0.5,
      usedMah: 355,
      leftPct: 71,
      motorC: 45,
      glideRatio: 10.8,
      landing: 'hard',
      signs: [
        { sign: 'pitch', value: 0 },
        { sign: 'climb', value: 0 },
      ],
      behaviour: 'Calm in gusts. Came down short into stubble, one wing first.',
      broke: 'A fine crack round the port tip, a hand in from the end.',
      next: '',
    },
  ],
  tracks: [demoTrack('flight-2', 'logger-0811.csv')],
  field: {
    ...NO_FIELD,
    rules: [
      { id: 'rule-1', text: 'Call the farmer the evening before; stay east of the hedge.' },
      { id: 'rule-2', text: 'Name and registration on the hatch: ask the national authority what applies.' },
    ],
    packs: [
      {
        id: 'pack-amber',
        name: 'Amber, 1300 mAh',
        cells: 3,
        capacityMah: 1300,
        resistanceMohm: 42,
        cyclesBefore: 18,
        tests: [
          { date: '2026-06-02', capacityMah: 1290, resistanceMohm: 44 },
          { date: '2026-10-20', capacityMah: 1215, resistanceMohm: 55 },
        ],
        retired: false,
      },
      {
        id: 'pack-slate',
        name: 'Slate, 1300 mAh',
        cells: 3,
        capacityMah: 1300,
        resistanceMohm: 42,
        cyclesBefore: 96,
        tests: [{ date: '2026-10-20', capacityMah: 1010, resistanceMohm: 88 }],
        retired: false,
      },
    ],
    pack: 'pack-amber',
  },
  damages: [],
  wishes: [
    {
      id: 'wish-1',
      date: '2026-11-08',
      text: 'A boom that does not whip in gusts',
      from: 'own',
      act: 'boom.larger',
      state: 'open',
    },
  ],
}
