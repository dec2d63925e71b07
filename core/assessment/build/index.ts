export { asGraph, buildGraph, type BuildGraph } from './graph'
export { RULES, type Rule } from './rules'
export { REACH, siteOf, type Access, type Chain, type LaidSpar, type Moving, type Site } from './site'
export { BENCHES, type Bench, type BuildStep, type Gate, type Need, type StepKind } from './step'
