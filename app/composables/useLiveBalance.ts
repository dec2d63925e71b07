/**
 * Where it balances at this very frame: the assessed balance, shifted by what has been moved since, until the
 * worker's full answer replaces it.
 */
import { movedBalance } from '../../core/workshop/balance'
import { useAssessment } from '~/stores/assessment'
import { useProject } from '~/stores/project'

export function useLiveBalance() {
  const project = useProject()
  const assessment = useAssessment()
  return computed(() => movedBalance(assessment.assessed ?? project.doc!, assessment.current!, project.doc!))
}
