/** What a launch meets that flight does not: skin that stood in the sun in still air. */
import { strengthLeft } from '../../structure'
import { briefTemperature, type Designed } from '../resolve'

const LEAST_LEFT = 0.02

/** How much weaker plastics are there than in the air of flight, the worst of them; 1 at least. */
export const weakerInStillAir = ({ doc, warm }: Designed, softeningC: readonly number[]): number =>
  Math.max(
    1,
    ...softeningC.map(
      celsius =>
        strengthLeft(celsius, warm.temperatureC) /
        Math.max(LEAST_LEFT, strengthLeft(celsius, briefTemperature(doc, 'field'))),
    ),
  )
