import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { nextTick } from 'vue'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { createAssessor } from '../../core/assess'
import type { ProjectFile } from '../../core/document'
import { db } from '~/db/database'
import { useAssessment } from './assessment'
import { useProject } from './project'

const assessor = createAssessor()
/** What the worker does with a document; tests put another in its place. */
let answer: (doc: ProjectFile) => Promise<unknown> = async doc => assessor.assess(doc)
vi.mock('~/composables/useCore', () => ({
  useCore: () => ({ assess: (doc: ProjectFile) => answer(doc) }),
  COMPUTING_PART: 'this',
}))

const until = async (what: () => boolean) => {
  for (let i = 0; i < 500 && !what(); i++) await new Promise(resolve => setTimeout(resolve, 10))
  expect(what()).toBe(true)
}
async function fresh() {
  setActivePinia(createPinia())
  const project = useProject(),
    assessment = useAssessment()
  await project.start()
  await until(() => assessment.fresh)
  return { project, assessment }
}
const heavier = (project: ReturnType<typeof useProject>, massG: number, name = `Motor of ${massG} g`) =>
  project.edit(name, d => {
    d.equipment.find(item => item.kind === 'motor')!.massG = massG
  })

beforeEach(async () => {
  answer = async doc => assessor.assess(doc)
  await Promise.all([db.projects.clear(), db.settings.clear(), db.figures.clear()])
})

describe('the assessment of the open project', () => {
  it('shows by how much the last edit alone moved each wing, also past the 200 edits that are kept', async () => {
    const { project, assessment } = await fresh()
    for (let i = 0; i < 203; i++) heavier(project, 40 + (i % 2))
    await until(() => assessment.fresh)
    heavier(project, 50)
    await until(() => assessment.fresh)
    heavier(project, 57)
    await until(() => assessment.fresh)
    // 7 g of motor and its wires: not the 16 or 17 g of both edits.
    expect(assessment.difference.weight).toBeGreaterThanOrEqual(7)
    expect(assessment.difference.weight).toBeLessThan(8)
    project.undo()
    await until(() => assessment.fresh)
    expect(assessment.difference.weight).toBeLessThan(-6.9)
    expect(assessment.difference.weight).toBeGreaterThan(-8)
  })
  it('what cannot be computed leaves the last figures, marked old; a retry mends it', async () => {
    const { project, assessment } = await fresh()
    const before = assessment.current
    answer = async () => Promise.reject(new Error('the computing part stopped'))
    heavier(project, 90)
    await until(() => assessment.failed !== null)
    expect(assessment.fault).toMatch(/stopped/)
    expect(assessment.fresh).toBe(false)
    expect(assessment.current).toBe(before)
    expect(assessment.assessed).not.toBe(project.doc)
    answer = async doc => assessor.assess(doc)
    assessment.retry()
    await until(() => assessment.fresh)
    expect(assessment.failed).toBeNull()
    expect(assessment.current!.totals.massG - before!.totals.massG).toBeGreaterThan(30)
  })
  it('the newest document is computed, those between are dropped', async () => {
    const { project, assessment } = await fresh()
    const asked: number[] = []
    let release = () => {}
    const released = new Promise<void>(resolve => (release = resolve))
    answer = async doc => {
      asked.push(doc.equipment.find(item => item.kind === 'motor')!.massG)
      await released
      return assessor.assess(doc)
    }
    heavier(project, 61)
    await until(() => asked.length === 1)
    for (const massG of [62, 63, 64]) {
      heavier(project, massG)
      await nextTick()
    }
    release()
    await until(() => assessment.fresh)
    expect(asked).toEqual([61, 64])
  })
})

describe('while a handle is held', () => {
  it('the wings are carried on until the answer comes, and are its own again when it is there', async () => {
    const { project, assessment } = await fresh()
    const gesture = Symbol('drag')
    const to = (massG: number) =>
      project.edit(
        'Motor',
        d => {
          d.equipment.find(item => item.kind === 'motor')!.massG = massG
        },
        { gesture },
      )
    to(50)
    // The first step of a gesture leads nowhere yet.
    expect(assessment.ahead).toBeNull()
    await until(() => assessment.fresh)
    to(54)
    const two = assessment.ahead!.weight
    await until(() => assessment.fresh)
    expect(assessment.ahead).toBeNull()
    expect(Math.abs(two.value - assessment.current!.verdicts.weight.value)).toBeLessThanOrEqual(two.error)
    to(61)
    const three = assessment.ahead!.weight
    expect(three.error).toBeLessThan(two.error)
    await until(() => assessment.fresh)
    // Weight goes straight with the motor's: its wires are a share of it.
    expect(three.value).toBeCloseTo(assessment.current!.verdicts.weight.value, 6)
    // Another gesture begins anew.
    project.edit('Other', d => void (d.brief.targetMassG += 10), { gesture: Symbol('drag') })
    expect(assessment.ahead).toBeNull()
  })
})

describe('figures of the last visit', () => {
  /** A page was here, and left; its store is all that the next one knows. */
  async function visited() {
    const { project, assessment } = await fresh()
    // Pages of other tests may still keep theirs.
    const text = JSON.stringify(project.doc)
    for (let i = 0; i < 500 && (await db.figures.get('last'))?.text !== text; i++)
      await new Promise(resolve => setTimeout(resolve, 10))
    return { project, before: assessment.current!.totals.massG }
  }
  /** The next page, while its computing part is still being loaded. */
  async function next() {
    let go = () => {}
    const loaded = new Promise<void>(resolve => (go = resolve))
    answer = async doc => {
      await loaded
      return assessor.assess(doc)
    }
    setActivePinia(createPinia())
    const project = useProject(),
      assessment = useAssessment()
    await project.start()
    return { project, assessment, go }
  }

  it('are shown before anything is computed, said to be kept, and then computed again', async () => {
    const { before } = await visited()
    const { assessment, go } = await next()
    await until(() => assessment.current !== null)
    expect(assessment.current!.totals.massG).toBe(before)
    expect(assessment.kept).toBe(true)
    expect(assessment.fresh).toBe(false)
    go()
    await until(() => assessment.fresh)
    expect(assessment.kept).toBe(false)
    expect(assessment.difference.weight).toBe(0)
  })
  it('are not shown for another design, nor when another computing part left them', async () => {
    const { project } = await visited()
    heavier(project, 90)
    await project.save()
    const changed = await next()
    await new Promise(resolve => setTimeout(resolve, 100))
    expect(changed.assessment.current).toBeNull()
    changed.go()
    await until(() => changed.assessment.fresh)
    const record = (await db.figures.get('last'))!
    await db.figures.put({ ...record, text: JSON.stringify(changed.project.doc), part: 'another' })
    const other = await next()
    await new Promise(resolve => setTimeout(resolve, 100))
    expect(other.assessment.current).toBeNull()
    other.go()
    await until(() => other.assessment.fresh)
  })
  it('that cannot be computed again stay, and are not called fresh', async () => {
    await visited()
    answer = async () => Promise.reject(new Error('the computing part stopped'))
    setActivePinia(createPinia())
    const project = useProject(),
      assessment = useAssessment()
    await project.start()
    await until(() => assessment.failed !== null && assessment.current !== null)
    expect(assessment.kept).toBe(true)
    expect(assessment.fresh).toBe(false)
  })
})
