import { mount } from '@vue/test-utils'
import { describe, expect, it } from 'vitest'
import { newPlan } from '~~/core/plan/planSchema'
import type { DraftEntry } from '~/composables/useDrafts'
import DraftList from './DraftList.vue'

const entry = (
  part: Partial<DraftEntry> = {},
  kept: Partial<DraftEntry['kept']> = {},
): DraftEntry => ({
  kept: {
    key: 'k',
    planId: 'a',
    isOwn: false,
    at: 0,
    raw: {},
    draft: { version: 1, plan: newPlan('Mill') },
    ...kept,
  },
  name: 'Mill',
  state: 'ready',
  fields: 3,
  ...part,
})
const list = (...drafts: DraftEntry[]) => mount(DraftList, { props: { drafts } })

describe('the list of drafts', () => {
  it.each([
    [entry(), '3 fields differ from what is saved.'],
    [entry({ fields: 1 }), 'One field differs from what is saved.'],
    [entry({ fields: 0 }), 'It is the same as what is saved.'],
    [entry({}, { isOwn: true }), 'It will be saved as soon as the server answers.'],
    [entry({ state: 'changed' }), 'The plan was saved elsewhere since'],
    [entry({ state: 'gone', fields: null }), 'The plan was deleted since.'],
    [entry({ state: 'unreachable', fields: null }), 'The server does not answer.'],
    [
      entry({ state: 'unreadable', fields: null, name: '' }, { draft: null }),
      'cannot read it; it is kept as it is',
    ],
  ])('tells what each holds: %#', (given, text) => expect(list(given).text()).toContain(text))
  it('offers what can be done with each', () => {
    const offers = (given: DraftEntry) =>
      list(given)
        .findAll('.v-btn')
        .map(button => button.text())
    expect(offers(entry())).toEqual([
      'Open with these changes',
      'Save as a new plan',
      'Export',
      'Discard',
    ])
    expect(offers(entry({ state: 'gone' }))).toEqual(['Save as a new plan', 'Export', 'Discard'])
    expect(offers(entry({ state: 'unreachable' }))).toEqual(['Export', 'Discard'])
    expect(offers(entry({ state: 'unreadable' }, { draft: null }))).toEqual(['Export', 'Discard'])
  })
  it('discards only when asked twice', async () => {
    const drafts = list(entry())
    await drafts.find('[aria-label="Discard: Mill"]').trigger('click')
    expect(drafts.emitted('discard')).toBeUndefined()
    await drafts
      .findAll('.v-btn')
      .find(button => button.text() === 'Discard for good')!
      .trigger('click')
    expect(drafts.emitted('discard')).toEqual([['k']])
  })
})
