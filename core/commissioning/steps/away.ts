import type { Step } from '../step'

export const away: readonly Step[] = [
  {
    id: 'away.tunnel',
    do:
      'Private tunnel on router or machine, a key a device; no port opened for shares ' +
      'or pages.',
    why: 'An open page is found within hours.',
    cautions: ['opened'],
    hands: 30,
    tools: "router's page",
    good: 'From outside only the tunnel answers.',
    ifNot: { advice: '', trees: ['T11'], steps: [] },
    needs: ['system.alerts', 'people.prove'],
    when: ['awayAny'],
  },
  {
    id: 'away.test',
    do:
      'On a phone off the Wi-Fi: browse, play 10 min at the sent quality, try a ' +
      'forbidden share. Then from each place.',
    why: 'At home even a broken tunnel works.',
    cautions: [],
    hands: ({ places }) => 10 + 20 * places,
    tools: 'phone',
    good: 'Plays, and forbidden stays forbidden.',
    ifNot: { advice: '', trees: ['T10', 'T11'], steps: [] },
    needs: ['away.tunnel', 'fill.first', 'folders.trial'],
    when: ['awayAny'],
  },
]
