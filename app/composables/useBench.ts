/**
 * What every station needs: the document, what it amounts to, and the named edit. Used only where both are
 * there.
 */
import { useAssessment } from '~/stores/assessment'
import { useProject } from '~/stores/project'
import { useView } from '~/stores/view'

export function useBench() {
  const project = useProject()
  const assessment = useAssessment()
  const look = useView()
  return {
    doc: computed(() => project.doc!),
    now: computed(() => assessment.current!),
    edit: project.edit,
    project,
    look,
  }
}
