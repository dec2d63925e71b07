/** Property tests repeat: one seed for every run, another with FC_SEED to look further; full counts when deep. */
import fc from 'fast-check'

fc.configureGlobal({ seed: Number(process.env.FC_SEED ?? 20261124) })
Object.assign(globalThis, { mariposaDeep: process.env.MARIPOSA_DEEP === '1' })
