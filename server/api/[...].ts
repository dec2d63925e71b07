import { problem } from '../utils/problem'

export default defineEventHandler(event =>
  problem(event, 404, 'Not found', `there is no route ${event.path.slice(0, 100)}`),
)
