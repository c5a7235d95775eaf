import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { catalogue } from '~~/core/catalogue/catalogue'
import { fixesOf } from '~~/core/tiers/rankFixes'
import { matrixSummaries } from '~~/core/playback/summaries'
import { useWorkingStore } from '~/stores/workingStore'
import { openDemo } from '../../../tests/stubs/openPlan'
import CellReasons from './CellReasons.vue'
import MatrixPicture from './MatrixPicture.vue'
import PlaybackFixes from './PlaybackFixes.vue'

function opened() {
  const store = openDemo()
  const {
    playback: { matrix },
    household: { week },
  } = store.assessment!.domains
  return { store, matrix, summaries: matrixSummaries(matrix, week) }
}

describe('the playability matrix', () => {
  it('says in each cell what goes out, never by colour alone', () => {
    const { matrix, summaries } = opened()
    const picture = mount(MatrixPicture, { props: { matrix, summaries, row: 0, column: 0 } })
    const cells = picture.findAll('td')
    expect(cells).toHaveLength(matrix.rows.length * matrix.columns.length)
    expect(cells.every(cell => /as is|repack|sound|to \d+|cannot|copy/.test(cell.text()))).toBe(
      true,
    )
    expect(picture.find('[data-outcome=cannot]').attributes('aria-label')).toContain(
      'Cannot be played',
    )
  })
  it('is walked with the arrow keys, within its edges', async () => {
    const { matrix, summaries } = opened()
    const picture = mount(MatrixPicture, { props: { matrix, summaries, row: 0, column: 0 } })
    const cell = () => picture.find('[tabindex="0"][role=gridcell]')
    for (const key of ['ArrowDown', 'ArrowRight', 'ArrowUp', 'End'])
      await cell().trigger('keydown', { key })
    expect(picture.emitted('choose')).toEqual([
      [1, 0],
      [0, 1],
      [0, 0],
      [0, matrix.columns.length - 1],
    ])
  })
})

describe('one pair', () => {
  it('lists every reason, the work with its working, and the fix', async () => {
    const { matrix } = opened()
    const row = matrix.rows.findIndex(entry => entry.quality.id === 'hd1080-hevc')
    const column = matrix.columns.findIndex(entry => entry.deviceName === 'Cabin laptop')
    const reasons = mount(CellReasons, {
      props: { matrix, row, rows: [row], column, hours: 3, fix: null, looking: false },
    })
    expect(reasons.findAll('[data-reason]').map(entry => entry.attributes('data-reason'))).toEqual([
      'CODEC',
      'LINK_RATE',
      'CAP',
      'SOUND',
      'CONTAINER',
    ])
    expect(reasons.text()).toContain('No single fix avoids')
    await reasons.find('.outcome .working-link').trigger('click')
    expect(useWorkingStore().figureId).toMatch(/^playback\.work\./)
    expect(Object.keys(useWorkingStore().figures)).toContain(useWorkingStore().figureId)
  })
})

describe('fixes', () => {
  it('are tried under the pointer and done with a press, and undone', async () => {
    const { store } = opened()
    const { ranked } = fixesOf(store.plan!, catalogue)
    const list = mount(PlaybackFixes, { props: { ranked, working: false, anyHabits: true } })
    const before = store.plan
    await list.find('.fix').trigger('pointerenter')
    expect(store.tried).toBe(ranked[0]!.plan)
    await list.find('.fix').trigger('pointerleave')
    expect(store.tried).toBeNull()
    const share =
      store.assessment!.figures['playback.convertedShare']!.value! +
      store.assessment!.figures['playback.cannotShare']!.value!
    await list.find('.fix button').trigger('click')
    const after =
      store.assessment!.figures['playback.convertedShare']!.value! +
      store.assessment!.figures['playback.cannotShare']!.value!
    expect(1 - after / share).toBeCloseTo(ranked[0]!.removedShare, 9)
    store.undo()
    expect(store.plan).toBe(before)
  })
  it('say what to do while nothing can be ranked', () => {
    opened()
    expect(
      mount(PlaybackFixes, { props: { ranked: [], working: false, anyHabits: false } }).text(),
    ).toContain('Enter habits under Household')
  })
})
