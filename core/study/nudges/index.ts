export { neediest, type Nudge, nudges, ranked, WINGS } from './nudges'
