import type { Step } from '../step'

export const fill: readonly Step[] = [
  {
    id: 'fill.speed',
    do:
      'Measure network, disk, then a copy of 20 GB in large files and of 1 GB in small ' + 'ones.',
    why: 'A slow link is free to find now.',
    cautions: [],
    hands: 20,
    tools: 'test programs',
    good: 'Within 20 % of the chain.',
    ifNot: { advice: '', trees: ['T8'], steps: [] },
    needs: ['people.connect', 'pool.jobs'],
    when: ['drives'],
  },
  {
    id: 'fill.first',
    do:
      'Irreplaceable holdings first, with a program that resumes and lists errors; ' +
      'compare counts, bytes, checksums; back them up at once.',
    why: 'From the first day on there are two copies.',
    cautions: ['source'],
    hands: 20,
    wait: ({ irreplaceableMin }) => irreplaceableMin,
    tools: '',
    good: '0 differences.',
    ifNot: { advice: 'Copy those again; memory test.', trees: [], steps: [] },
    needs: ['fill.speed', 'folders.names', 'pool.drill'],
    when: ['irreplaceable'],
  },
  {
    id: 'fill.rest',
    do:
      'Then what is watched most, then the rest, backups of computers last. Look once a ' + 'day.',
    why: 'People begin to use it while it fills.',
    cautions: ['source'],
    hands: 20,
    wait: ({ restMin }) => restMin,
    tools: '',
    good: 'Rate within 30 % of its first hour.',
    ifNot: { advice: '', trees: ['T8'], steps: [] },
    needs: ['fill.first', 'folders.trial'],
    when: ['drives'],
  },
  {
    id: 'fill.verify',
    do:
      'Compare everything by list: counts, bytes, checksums. Sources are unplugged and ' +
      'labelled *untouched until the restore test*.',
    why: 'Nobody knows whether a copy is whole that was not compared.',
    cautions: ['source'],
    hands: 15,
    wait: ({ compareMin }) => compareMin,
    tools: '',
    good: '0 differences.',
    ifNot: { advice: 'Copy those again; memory test.', trees: [], steps: [] },
    needs: ['fill.rest'],
    when: ['drives'],
  },
  {
    id: 'fill.parity',
    do: 'Build the parity that comes after copying.',
    why: 'Until it is built, each drive holds its files alone.',
    cautions: [],
    hands: 10,
    wait: ({ buildMin }) => buildMin,
    tools: '',
    good: 'Parity whole, no error.',
    ifNot: { advice: '', trees: ['T13'], steps: [] },
    needs: ['fill.verify'],
    when: ['parityAfter'],
  },
  {
    id: 'fill.last',
    do:
      'Add the drives that go in last, only when every file on them is on the pool and ' +
      'in a copy that was restored.',
    why: 'Before that, erasing them leaves one copy.',
    cautions: ['erases', 'source'],
    hands: 15,
    wait: ({ buildMin }) => buildMin,
    tools: '',
    good: "Pool whole; the plan's space.",
    ifNot: { advice: 'No copy planned: make one first.', trees: ['T13'], steps: [] },
    needs: ['copies.restore', 'fill.verify'],
    when: ['last'],
  },
  {
    id: 'fill.hard',
    do:
      'One title of each hard cell of the matrix on its device; jump about in the title ' +
      'of the highest rate.',
    why: 'Complaints come one cell at a time otherwise.',
    cautions: [],
    hands: ({ hardCells }) => 4 * hardCells,
    tools: 'matrix',
    good: 'Starts in 10 s, no stall in 3 min, outcome as planned.',
    ifNot: { advice: '', trees: ['T9'], steps: [] },
    needs: ['fill.first', 'services.devices', 'services.engine'],
    when: ['media'],
  },
]
