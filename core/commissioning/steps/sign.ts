import type { Step } from '../step'

export const sign: readonly Step[] = [
  {
    id: 'sign.watts',
    do: 'Watts at the wall: asleep, idle (30 min quiet, then a 10 min average), converting.',
    why: 'The baseline against which drift is seen.',
    cautions: [],
    hands: 20,
    wait: 40,
    tools: 'watt meter',
    good: 'Table below.',
    ifNot: { advice: 'Calibrate; look for drives that do not sleep.', trees: [], steps: [] },
    needs: ['fill.hard', 'fill.verify', 'fill.parity', 'assembly.close'],
    when: [],
  },
  {
    id: 'sign.load',
    do:
      '1, 2, 3 … conversions of the usual source until one stutters; temperatures after ' +
      'an hour of it.',
    why: 'An estimate becomes a measurement.',
    cautions: [],
    hands: 30,
    wait: 60,
    tools: '',
    good: 'Table below.',
    ifNot: { advice: '', trees: ['T9', 'T14'], steps: [] },
    needs: ['sign.watts'],
    when: ['converts'],
  },
  {
    id: 'sign.outage',
    do:
      'Shut down from the menu, never by the button; mains off for a minute (with a ' +
      'UPS: at its output), on again.',
    why: 'It must come back with nobody there.',
    cautions: [],
    hands: 10,
    wait: 15,
    tools: '',
    good: 'Shares and services back within 15 min.',
    ifNot: { advice: '', trees: [], steps: ['system.firmware'] },
    needs: ['sign.watts'],
    when: [],
  },
  {
    id: 'sign.hand',
    do:
      'Two people each play, get a file back, read the lamp, shut down, say whom to ' +
      'call. Card inside the door, envelope with passwords.',
    why: 'You are not always there.',
    cautions: [],
    hands: 30,
    tools: 'card',
    good: 'Each does it alone.',
    ifNot: { advice: '', trees: [], steps: [] },
    needs: ['sign.outage', 'sign.load', 'copies.restore', 'fill.last'],
    when: [],
  },
  {
    id: 'sign.file',
    do:
      'Store reports of all drives, sizes, speeds and settings as day 0; export ' +
      'calendar and run-book.',
    why: 'Drift is a difference and needs a beginning.',
    cautions: [],
    hands: 15,
    tools: '',
    good: 'Register, logbook and two calendars have it.',
    ifNot: { advice: '', trees: [], steps: [] },
    needs: ['sign.hand', 'copies.settings'],
    when: [],
  },
]
