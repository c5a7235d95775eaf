import type { Step } from '../step'

export const before: readonly Step[] = [
  {
    id: 'before.check',
    do:
      'Compare every delivery with the parts list: model, memory type, plug shapes, ' +
      'screws, leads. Photograph the labels; enter serial, shop, day bought, last day ' +
      'to return it and end of warranty in the drive register.',
    why:
      'Unopened parts go back without argument, but not after weeks in a corner; a ' +
      'failed drive is claimed by its serial.',
    cautions: [],
    hands: ({ drives, lines }) => 2 * lines + 2 * drives,
    tools: 'parts list, phone',
    good: 'Everything is there and is what was ordered.',
    ifNot: { advice: 'Exchange it before anything is opened.', trees: [], steps: [] },
    needs: [],
    when: [],
  },
  {
    id: 'before.labels',
    do:
      'Print and stick a label a drive (model, size, end of the serial, bay) on the end ' +
      'that is seen in the bay, not over the breather hole.',
    why: 'Systems name drives by serial; ten minutes now save hours at every fault.',
    cautions: [],
    hands: ({ drives }) => 2 * drives,
    tools: 'label sheet',
    good: 'Each label is readable without moving the drive.',
    ifNot: { advice: 'Write it on tape.', trees: [], steps: [] },
    needs: ['before.check'],
    when: ['drives'],
  },
  {
    id: 'before.sharing',
    do:
      "Read the manual's page on shared lanes beside the sharing quoted here from the " +
      'plan (ports that stay live with these places filled).',
    why: 'A port that another place switches off looks like a failed drive or lead.',
    cautions: [],
    hands: 10,
    tools: 'manual',
    good: 'Every drive and SSD has a live place.',
    ifNot: { advice: 'Move it now.', trees: [], steps: [] },
    needs: ['before.check'],
    when: ['opened'],
  },
  {
    id: 'before.owned',
    do:
      'Start the used machine as it is, run it for an evening, start it again cold next ' +
      'morning: memory seen, watts, noise, warmest part, errors.',
    why:
      'A fault found later cannot be told from your own mistake; some faults show only ' +
      'from cold.',
    cautions: [],
    hands: 15,
    wait: 180,
    tools: 'screen, keyboard, watt meter',
    good: 'Runs all evening, starts from cold at once.',
    ifNot: {
      advice: 'Decide before more is bought for it.',
      trees: ['T1', 'T2', 'T3', 'T4'],
      steps: [],
    },
    needs: [],
    when: ['used'],
  },
  {
    id: 'before.clean',
    do:
      'Blow out the dust with the fans held still, renew paste older than five years, ' +
      'look for rust, swollen capacitors, an empty clock battery.',
    why: 'Dust and dry paste are why old machines run hot.',
    cautions: ['unplug', 'supply', 'static', 'edges'],
    hands: 30,
    tools: 'brush, paste, torch',
    good: "Fans turn freely, no rust behind the supply's grille.",
    ifNot: { advice: 'Replace the supply, never open it.', trees: [], steps: [] },
    needs: ['before.owned'],
    when: ['used', 'opened'],
  },
  {
    id: 'before.room',
    do:
      'Check the place (100 mm of air at the vents, 50 mm for leads, dry, no fabrics, a ' +
      'wall socket, a network cable). Lay out the tools: second computer, wired ' +
      'keyboard, screen with two kinds of lead, screwdriver, torch, wrist strap, watt ' +
      'meter.',
    why:
      'A machine that has to move later moves with its drives; nothing is fetched with ' +
      'the case open.',
    cautions: ['mains'],
    hands: 20,
    tools: 'tape measure',
    good: 'All within reach without one extension lead in another.',
    ifNot: {
      advice: "Another place; a new socket is a licensed electrician's work.",
      trees: [],
      steps: [],
    },
    needs: [],
    when: [],
  },
  {
    id: 'before.line',
    do: 'Measure upload and download by cable, at a quiet and at a busy hour.',
    why: 'The plan stands on the line as it is, not as it is sold.',
    cautions: [],
    hands: 10,
    tools: 'second computer',
    good: 'Within 20 % of the plan.',
    ifNot: { advice: 'Correct the plan first.', trees: [], steps: [] },
    needs: [],
    when: ['awayLine'],
  },
  {
    id: 'before.ups',
    do: 'Charge the UPS.',
    why: 'Batteries arrive half empty.',
    cautions: ['battery'],
    hands: 5,
    wait: 480,
    tools: '',
    good: 'The lamp shows full.',
    ifNot: { advice: 'Exchange it.', trees: [], steps: [] },
    needs: ['before.check'],
    when: ['ups'],
  },
  {
    id: 'before.olddata',
    do:
      'List the owned drives that go into the pool and hold data: copy the data ' +
      'elsewhere, or mark the drive *goes in last*.',
    why: 'Making the pool erases every member.',
    cautions: ['erases', 'source'],
    hands: ({ drives }) => 10 * drives,
    wait: ({ copyingMin }) => copyingMin,
    tools: 'external drive',
    good: 'Each file is in two places.',
    ifNot: { advice: 'Leave that drive out until fill.last.', trees: [], steps: [] },
    needs: ['before.check'],
    when: ['ownedDrives'],
  },
  {
    id: 'before.stick',
    do:
      "Fetch the system's image, compare its checksum, write it to a stick, let the " +
      'writing tool verify.',
    why: 'A bad stick looks like a bad machine.',
    cautions: ['erases'],
    hands: 10,
    wait: 20,
    tools: 'two sticks of different make',
    good: 'Verified; target chosen by size and name, other disks hidden.',
    ifNot: { advice: '', trees: ['T6'], steps: [] },
    needs: ['before.room'],
    when: ['installed'],
  },
]
