import { describe, expect, it } from 'vitest'
import { afterEvent, type SaveEvent, type SaveState } from './saveStates'

const states: readonly SaveState[] = [
  'saved',
  'unsaved',
  'saving',
  'offline',
  'conflict',
  'refused',
]
/** Follows several events from a state. */
const after = (state: SaveState, ...events: SaveEvent[]) => events.reduce(afterEvent, state)

describe('where an open plan stands', () => {
  it.each([
    ['an edit that gets through', 'saved', ['edited', 'sent', 'acknowledged'], 'saved'],
    ['an edit while one is under way', 'saved', ['edited', 'sent', 'overtaken'], 'unsaved'],
    ['a dead server', 'saved', ['edited', 'sent', 'unreachable'], 'offline'],
    ['an edit while the server is dead', 'offline', ['edited'], 'offline'],
    ['the server comes back', 'offline', ['sent', 'acknowledged'], 'saved'],
    ['a refusal, put right', 'saving', ['refused', 'edited', 'sent', 'acknowledged'], 'saved'],
    ['a refusal, sent again as it is', 'refused', ['sent'], 'saving'],
    [
      'a conflict, settled and saved',
      'saving',
      ['conflicted', 'settled', 'sent', 'acknowledged'],
      'saved',
    ],
    ['undone to what the server has', 'unsaved', ['acknowledged'], 'saved'],
  ] as const)('%s: from %s', (_, from, events, to) => {
    expect(after(from, ...events)).toBe(to)
  })
  it('opening and a conflict come at any time', () => {
    for (const state of states) {
      expect(afterEvent(state, 'opened')).toBe('saved')
      expect(afterEvent(state, 'conflicted')).toBe('conflict')
    }
  })
  it('nothing but a decision or another plan leaves a conflict', () => {
    const events: readonly SaveEvent[] = [
      'edited',
      'sent',
      'acknowledged',
      'overtaken',
      'unreachable',
      'refused',
    ]
    expect(after('conflict', ...events)).toBe('conflict')
  })
  it('an event that cannot be meant changes nothing', () => {
    expect(after('saved', 'acknowledged', 'overtaken', 'unreachable', 'settled', 'sent')).toBe(
      'saved',
    )
  })
})
