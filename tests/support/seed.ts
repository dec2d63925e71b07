/** Property tests repeat: one seed for every run, another with FC_SEED to look further. */
import fc from 'fast-check'

fc.configureGlobal({ seed: Number(process.env.FC_SEED ?? 20261124) })
