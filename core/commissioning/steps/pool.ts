import type { Step } from '../step'

export const pool: readonly Step[] = [
  {
    id: 'pool.compare',
    do:
      'Trays home where they are half out; compare the serials that the system lists ' +
      'with labels and bays.',
    why: 'This list says later which drive to pull.',
    cautions: [],
    hands: ({ drives }) => 2 * drives,
    tools: '',
    good: 'Register, label and system agree.',
    ifNot: { advice: 'Correct the label, not the list.', trees: [], steps: [] },
    needs: ['system.updates', 'assembly.close'],
    when: ['drives'],
  },
  {
    id: 'pool.test',
    do: 'On all drives at once: short self-test, then the long one; store the reports.',
    why:
      'Drives fail most in their first weeks; now nothing is lost, and the shop still ' +
      'takes them back.',
    cautions: [],
    hands: ({ drives }) => 3 * drives,
    wait: ({ testMin }) => testMin,
    tools: '',
    good: 'Completed without error; 5, 187, 197, 198 are 0.',
    ifNot: { advice: 'Send it back.', trees: ['T12'], steps: [] },
    needs: ['pool.compare'],
    when: ['drives'],
  },
  {
    id: 'pool.write',
    do: 'Write and read every sector.',
    why: 'Weak sectors show at the first full write.',
    cautions: ['erases'],
    hands: ({ drives }) => 3 * drives,
    wait: ({ testMin }) => 2 * testMin,
    tools: '',
    good: 'No pending, no new reallocated sectors.',
    ifNot: { advice: 'Send it back.', trees: ['T12'], steps: [] },
    needs: ['pool.test'],
    when: ['testWrites'],
  },
  {
    id: 'pool.make',
    do:
      "Remove old pool marks by serial; make the plan's layout with its members by " +
      'serial; name 2–12 of a–z, 0–9, hyphen, final.',
    why: 'The name stands in every path; old marks bring the old pool back.',
    cautions: ['erases', 'source'],
    hands: ({ drives }) => 10 + 3 * drives,
    wait: ({ parityFirstMin }) => parityFirstMin,
    tools: '',
    good: "Usable space is the plan's within 1 % (TiB beside TB).",
    ifNot: { advice: 'Count members and sizes again.', trees: [], steps: [] },
    needs: ['pool.test', 'pool.write', 'before.olddata'],
    when: ['drives'],
  },
  {
    id: 'pool.tree',
    do: 'The folders or datasets of the tree below, nothing in the root.',
    why: 'Out of the root one moves later by copying, and rights break.',
    cautions: [],
    hands: 15,
    tools: '',
    good: 'The root holds nothing else.',
    ifNot: { advice: '', trees: [], steps: [] },
    needs: ['pool.make'],
    when: [],
  },
  {
    id: 'pool.jobs',
    do:
      'Snapshots by holding, scrub or parity check, self-tests: see Calendar; no two at ' +
      'one hour, none begins in viewing hours.',
    why: 'A fault that nobody reads for a year meets the rebuild.',
    cautions: [],
    hands: 15,
    tools: '',
    good: 'The next run of each is listed.',
    ifNot: { advice: '', trees: [], steps: [] },
    needs: ['pool.tree'],
    when: ['drives'],
  },
  {
    id: 'pool.ups',
    do:
      'Machine, switch and router on its battery sockets, data cable in; shut down at ' +
      "half battery or after the plan's minutes. Then switch the UPS's wall socket off " +
      '(do not pull its plug: earth stays on).',
    why: 'Without the data cable nothing shuts the machine down.',
    cautions: ['battery'],
    hands: 20,
    wait: 15,
    tools: '',
    good: 'Clean shutdown, back by itself.',
    ifNot: { advice: 'Earlier shutdown, fewer devices.', trees: [], steps: [] },
    needs: ['pool.jobs', 'before.ups'],
    when: ['ups'],
  },
  {
    id: 'pool.drill',
    do:
      'Pool still empty: take one drive out (tray, or with the machine off); wait for ' +
      'the alert; find the bay by serial; put it back, make it whole.',
    why: 'Mistakes cost nothing while the pool is empty.',
    cautions: [],
    hands: 15,
    wait: 15,
    tools: '',
    good: 'Alert within 10 min with the right serial, pool whole again.',
    ifNot: { advice: '', trees: ['T13'], steps: ['system.alerts'] },
    needs: ['pool.jobs', 'pool.ups', 'system.alerts'],
    when: ['drives', 'survives', '!parityAfter'],
  },
]
