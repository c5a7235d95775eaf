/** Where the open plan stands between this page and the server. */
export type SaveState = 'saved' | 'unsaved' | 'saving' | 'offline' | 'conflict' | 'refused'
/** What can happen to it. */
export type SaveEvent =
  | 'opened'
  | 'edited'
  | 'sent'
  | 'acknowledged'
  | 'overtaken'
  | 'unreachable'
  | 'conflicted'
  | 'refused'
  | 'settled'

/** From each state where an event leads; an event that is not named changes nothing. */
const transitions: Readonly<Record<SaveState, Readonly<Partial<Record<SaveEvent, SaveState>>>>> = {
  saved: { edited: 'unsaved' },
  unsaved: { sent: 'saving', acknowledged: 'saved' },
  saving: {
    edited: 'unsaved',
    acknowledged: 'saved',
    overtaken: 'unsaved',
    unreachable: 'offline',
    refused: 'refused',
  },
  // What is edited while the server does not answer waits for the next try.
  offline: { sent: 'saving', acknowledged: 'saved' },
  // Nothing is sent until a person has chosen.
  conflict: { settled: 'unsaved' },
  refused: { edited: 'unsaved', sent: 'saving' },
}

/** The state after an event. Opening and a conflict can come at any time. */
export function afterEvent(state: SaveState, event: SaveEvent): SaveState {
  if (event === 'opened') return 'saved'
  if (event === 'conflicted') return 'conflict'
  return transitions[state][event] ?? state
}
