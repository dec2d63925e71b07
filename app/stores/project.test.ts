import 'fake-indexeddb/auto'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { DEMOS } from '../../core/demo'
import { checkProject, DocumentError, writeProject } from '../../core/document'
import { db, saveProject, StaleError } from '~/db/database'
import { useProject } from './project'

const settle = async (project: ReturnType<typeof useProject>) => {
  for (let i = 0; i < 100 && project.saveState === 'saving'; i++)
    await new Promise(resolve => setTimeout(resolve, 20))
}
const fresh = async () => {
  setActivePinia(createPinia())
  const project = useProject()
  await project.start()
  return project
}

beforeEach(async () => {
  // A save of the test before may still be resting.
  await new Promise(resolve => setTimeout(resolve, 200))
  await Promise.all([db.projects.clear(), db.marks.clear(), db.settings.clear()])
})

describe('edits', () => {
  it('are named steps that undo and redo exactly', async () => {
    const project = await fresh()
    const before = project.doc
    project.edit('Set span', d => {
      d.wing.panels[0].spanMm = 300
    })
    project.edit('Set walls', d => {
      d.zones[1].recipe.walls = 4
    })
    const after = project.doc
    expect(project.done.map(edit => edit.name)).toEqual(['Set span', 'Set walls'])
    project.undo()
    expect(project.doc!.zones[1].recipe.walls).toBe(2)
    expect(project.doc!.wing.panels[0].spanMm).toBe(300)
    project.undo()
    expect(project.doc).toEqual(before)
    project.redo()
    project.redo()
    expect(project.doc).toEqual(after)
    expect(project.canRedo).toBe(false)
  })
  it('stay when the page comes back to its bench before they are kept', async () => {
    const project = await fresh()
    let [there, spanMm] = [false, 300]
    void project.start().then(() => (there = true))
    // A hand that goes on all the while.
    do {
      spanMm++
      project.edit(`Set span to ${spanMm}`, d => {
        d.wing.panels[0].spanMm = spanMm
      })
      await new Promise(resolve => setTimeout(resolve))
    } while (!there)
    expect(project.doc!.wing.panels[0].spanMm).toBe(spanMm)
  })
  it('share structure: what an edit does not touch stays the same object', async () => {
    const project = await fresh()
    const { wing, zones, equipment } = project.doc!
    project.edit('Move', d => {
      d.equipment[3].xMm = 120
    })
    expect(project.doc!.wing).toBe(wing)
    expect(project.doc!.zones).toBe(zones)
    expect(project.doc!.equipment[0]).toBe(equipment[0])
    expect(project.doc!.equipment).not.toBe(equipment)
  })
  it('a drag is one step, and undoes to where it began', async () => {
    const drag = Symbol('drag')
    const project = await fresh()
    for (let x = 107; x < 140; x++)
      project.edit(
        'Move the battery',
        d => {
          d.equipment[3].xMm = x
        },
        { gesture: drag },
      )
    expect(project.done.length).toBe(1)
    project.undo()
    expect(project.doc!.equipment[3].xMm).toBe(106)
    project.redo()
    expect(project.doc!.equipment[3].xMm).toBe(139)
  })
  it('a drag that takes longer than any pause is one step still; the next drag is another', async () => {
    vi.useFakeTimers({ toFake: ['performance', 'Date'] })
    try {
      const project = await fresh()
      const move = (gesture: symbol, x: number) =>
        project.edit('Move', d => void (d.equipment[3].xMm = x), { gesture })
      const first = Symbol('drag')
      for (let x = 107; x < 112; x++) {
        move(first, x)
        vi.advanceTimersByTime(5000)
      }
      move(Symbol('drag'), 120)
      expect(project.done.length).toBe(2)
      project.undo()
      expect(project.doc!.equipment[3].xMm).toBe(111)
    } finally {
      vi.useRealTimers()
    }
  })
  it('keys are one step while they follow one another; a clock set back changes nothing', async () => {
    vi.useFakeTimers({ toFake: ['performance', 'Date'] })
    try {
      const project = await fresh()
      const press = (x: number) =>
        project.edit('Move', d => void (d.equipment[3].xMm = x), { gesture: 'keys' })
      press(107)
      vi.advanceTimersByTime(300)
      press(108)
      vi.setSystemTime(Date.now() - 3_600_000)
      vi.advanceTimersByTime(2000)
      press(109)
      expect(project.done.length).toBe(2)
    } finally {
      vi.useRealTimers()
    }
  })
  it('an offer is taken on the design that it was computed for, and on no other', async () => {
    const project = await fresh()
    const of = project.doc!
    const zones = of.zones.map((zone, i) => (i === 1 ? { ...zone, filament: 'pla-tough' } : zone))
    project.edit('Set walls', d => {
      d.zones[0].recipe.walls = 5
    })
    const before = project.doc
    expect(project.takeOffer('In tough filament', { zones }, of)).toBe(false)
    expect(project.refused).toMatch(/In tough filament: .*before your last edit/)
    expect(project.doc).toBe(before)
    expect(project.takeOffer('In tough filament', { zones }, null)).toBe(false)
    project.undo()
    // The same state again, if not the same object: as good as the one it was computed for.
    expect(project.takeOffer('In tough filament', { zones }, structuredClone(of))).toBe(true)
    expect(project.doc!.zones[1].filament).toBe('pla-tough')
    expect(project.doc!.zones[0].recipe.walls).toBe(of.zones[0].recipe.walls)
  })
  it('a new edit after undo drops what was undone; nothing changed is no step', async () => {
    const project = await fresh()
    project.edit('a', d => {
      d.brief.loadFactor = 6
    })
    project.undo()
    project.edit('b', d => {
      d.brief.loadFactor = 7
    })
    expect(project.canRedo).toBe(false)
    project.edit('nothing', d => {
      d.brief.loadFactor = 7
    })
    expect(project.done.map(edit => edit.name)).toEqual(['b'])
  })
  it('an edit that the schema refuses changes nothing and says why', async () => {
    const project = await fresh()
    const before = project.doc
    expect(
      project.edit('Set span', d => {
        d.wing.panels[0].spanMm = -4
      }),
    ).toBe(false)
    expect(project.doc).toBe(before)
    expect(project.done.length).toBe(0)
    expect(project.refused).toMatch(/^Set span: wing\.panels\[0\]\.spanMm/)
    expect(
      project.edit('Set zone', d => {
        d.wing.panels[0].zone = 'nowhere'
      }),
    ).toBe(false)
    expect(project.doc).toBe(before)
  })
  it('a remedy or a mark taken whole is one step, touching only what differs', async () => {
    const project = await fresh()
    const { wing } = project.doc!
    project.replace('Take it', { ...project.doc!, equipment: project.doc!.equipment.slice(1) })
    expect(project.done.length).toBe(1)
    expect(project.doc!.wing).toBe(wing)
    project.undo()
    expect(project.doc!.equipment.length).toBe(DEMOS[0].equipment.length)
  })
})

describe('keeping', () => {
  it('the document and its undo list come back after a reload', async () => {
    const project = await fresh()
    project.edit('Set load factor', d => {
      d.brief.loadFactor = 9
    })
    await settle(project)
    expect(project.saveState).toBe('saved')
    const again = await fresh()
    expect(again.doc!.brief.loadFactor).toBe(9)
    expect(again.done.map(edit => edit.name)).toEqual(['Set load factor'])
    again.undo()
    expect(again.doc!.brief.loadFactor).toBe(DEMOS[0].brief.loadFactor)
  })
  it('a tab that is behind does not overwrite: it says so, and can take theirs or keep its own as a copy', async () => {
    const project = await fresh()
    const stored = (await db.projects.get('thistledown'))!
    await saveProject({ ...stored, doc: { ...stored.doc, brief: { ...stored.doc.brief, loadFactor: 3 } } })
    project.edit('Set load factor', d => {
      d.brief.loadFactor = 8
    })
    await settle(project)
    expect(project.saveState).toBe('elsewhere')
    expect((await db.projects.get('thistledown'))!.doc.brief.loadFactor).toBe(3)
    await project.keepAsCopy()
    expect(project.doc!.id).toBe('thistledown-2')
    expect(project.doc!.brief.loadFactor).toBe(8)
    expect((await db.projects.get('thistledown'))!.doc.brief.loadFactor).toBe(3)
    await project.open('thistledown')
    expect(project.doc!.brief.loadFactor).toBe(3)
  })
  it('saveProject is all or nothing, and counts revisions', async () => {
    await fresh()
    const stored = (await db.projects.get('plover'))!
    expect(await saveProject(stored)).toBe(stored.revision + 1)
    await expect(saveProject(stored)).rejects.toBeInstanceOf(StaleError)
    expect((await db.projects.get('plover'))!.revision).toBe(stored.revision + 1)
  })
  it('imports under a free id, and a broken file changes nothing', async () => {
    const project = await fresh()
    await project.importText(writeProject({ ...DEMOS[1], name: 'Mine' }))
    expect(project.doc!.id).toBe('plover-2')
    expect(project.shelf.map(item => item.name)).toContain('Mine')
    const count = await db.projects.count()
    await expect(async () =>
      project.importText('{"format":"mariposa-project","version":1}'),
    ).rejects.toBeInstanceOf(DocumentError)
    expect(await db.projects.count()).toBe(count)
    expect(project.doc!.name).toBe('Mine')
    expect(JSON.parse(project.exportText())).toEqual(project.doc)
  })
  it('marks and projects of an older version come up to this one with their steps', async () => {
    const project = await fresh()
    const old = JSON.parse(writeProject(DEMOS[0])) as Record<string, unknown> & {
      brief: Record<string, unknown>
      spars: Array<Record<string, unknown>>
    }
    for (const key of ['gear', 'proofs', 'wingSets', 'polars']) delete old[key]
    for (const spar of old.spars) for (const key of ['fixing', 'lay', 'route']) delete spar[key]
    Object.assign(old, { version: 2 })
    // Written by that version: the load factor was 3, then 5, then the span was set; undone: a name.
    const replaced = (name: string, path: Array<string | number>, from: unknown, to: unknown) => ({
      name,
      at: 1,
      forward: [{ op: 'replace' as const, path, value: to }],
      back: [{ op: 'replace' as const, path, value: from }],
    })
    const span = DEMOS[0].wing.panels[0].spanMm
    const steps = [
      replaced('Set load factor', ['brief', 'loadFactor'], 3, DEMOS[0].brief.loadFactor),
      replaced('Set span', ['wing', 'panels', 0, 'spanMm'], 222, span),
    ]
    await db.projects.put({
      id: 'old',
      name: 'Old',
      revision: 1,
      changedAt: 1,
      doc: { ...old, id: 'old' } as never,
      done: steps,
      undone: [replaced('Rename', ['name'], DEMOS[0].name, 'Another name')],
    })
    await db.marks.bulkAdd([
      { project: 'old', name: 'Then', at: 1, doc: { ...old, id: 'old' } as never },
      { project: 'old', name: 'Broken', at: 2, doc: { format: 'nothing' } as never },
    ])
    await project.open('old')
    expect(project.doc!.id).toBe('old')
    expect(project.doc!.spars[0].fixing).toBe('bonded')
    expect(project.done.map(step => step.name)).toEqual(['Set load factor', 'Set span'])
    project.redo()
    expect(project.doc!.name).toBe('Another name')
    project.undo()
    project.undo()
    expect(project.doc!.wing.panels[0].spanMm).toBe(222)
    project.undo()
    expect(project.doc!.brief.loadFactor).toBe(3)
    expect(project.doc!.version).toBe(DEMOS[0].version)
    expect(checkProject(project.doc)).toEqual(project.doc)
    expect(project.canUndo).toBe(false)
    project.redo()
    project.redo()
    expect(project.doc).toEqual(checkProject({ ...old, id: 'old' }))
    for (let i = 0; i < 50 && project.marks.length === 0; i++)
      await new Promise(resolve => setTimeout(resolve, 20))
    expect(project.marks.map(mark => mark.name)).toEqual(['Then'])
    project.edit('Set walls', d => {
      d.zones[0].recipe.walls = 5
    })
    project.backToMark(project.marks[0])
    expect(project.refused).toBeNull()
    expect(project.doc!.version).toBe(DEMOS[0].version)
    expect(project.doc!.zones[0].recipe.stance).toBe('standing')
  })
  it('marks bring a whole state back as one edit', async () => {
    const project = await fresh()
    await project.mark('as flown')
    project.edit('Set load factor', d => {
      d.brief.loadFactor = 2
    })
    project.backToMark(project.marks[0])
    expect(project.doc!.brief.loadFactor).toBe(DEMOS[0].brief.loadFactor)
    expect(project.done.at(-1)!.name).toBe('Back to mark as flown')
    project.undo()
    expect(project.doc!.brief.loadFactor).toBe(2)
  })
})
