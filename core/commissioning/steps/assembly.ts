import type { Step } from '../step'

export const assembly: readonly Step[] = [
  {
    id: 'assembly.open',
    do:
      'Open the case, take out what is in the way; a stand-off under each hole of the ' +
      'board and none elsewhere.',
    why: 'A stand-off too many shorts the board.',
    cautions: ['unplug', 'edges'],
    hands: 10,
    tools: 'screwdriver',
    good: 'Holes and stand-offs match.',
    ifNot: { advice: 'Move them before the board goes in.', trees: [], steps: [] },
    needs: ['bench.memory', 'before.room'],
    when: ['opened'],
  },
  {
    id: 'assembly.first',
    do: 'This case wants its drives first: their screws are behind the board.',
    why: 'They cannot be reached afterwards.',
    cautions: ['heavy'],
    hands: ({ drives }) => 6 * drives,
    tools: 'screwdriver',
    good: 'Bay picture and labels agree.',
    ifNot: { advice: 'Swap now.', trees: [], steps: [] },
    needs: ['assembly.open', 'before.labels'],
    when: ['drives', 'behind'],
  },
  {
    id: 'assembly.board',
    do:
      'Supply with its fan to a vent; long leads behind the tray; rear shield; board ' +
      'with all screws; processor lead and main lead. Never tape a supply or set it on ' +
      'wood or foam.',
    why: 'The leads do not fit once the board is in, and it comes out again for them.',
    cautions: ['supply', 'static', 'heavy'],
    hands: 45,
    tools: 'screwdriver',
    good: 'Grille free, no lead under the board, no screw left.',
    ifNot: { advice: '', trees: [], steps: [] },
    needs: ['assembly.open', 'assembly.first'],
    when: ['built'],
  },
  {
    id: 'assembly.small',
    do:
      'SSDs and cards into the places the plan names; bracket not forced; thin antenna ' +
      'leads folded away first.',
    why: 'Another place may switch data ports off; antenna plugs tear off.',
    cautions: ['unplug', 'static'],
    hands: ({ added }) => 8 * added,
    tools: 'screwdriver',
    good: 'Flush, screwed, power plug in.',
    ifNot: { advice: '', trees: [], steps: ['before.sharing'] },
    needs: ['assembly.open', 'assembly.board'],
    when: ['adds'],
  },
  {
    id: 'assembly.drives',
    do:
      'Each drive into its bay of the plan: tray, or four screws with rubber where the ' +
      'case has it; an empty bay between hot drives while bays are left.',
    why: 'Loose drives shake each other, close ones heat each other.',
    cautions: ['heavy', 'unplugUnlessTrays'],
    hands: ({ inBays, inTrays }) => 3 * inTrays + 6 * inBays,
    tools: 'screwdriver',
    good: 'Bay picture and labels agree.',
    ifNot: { advice: 'Swap now and correct the picture.', trees: [], steps: [] },
    needs: ['before.labels', 'assembly.open', 'assembly.board'],
    when: ['drives', '!behind'],
  },
  {
    id: 'assembly.leads',
    do:
      "Data leads to live ports, the system's disk first; at most four drives on a " +
      'power lead, spread over all leads; fans blow over every row; staggered start set ' +
      'where the plan asks for it.',
    why: 'Overloaded leads and moulded plugs burn; a drive without air runs 8 K warmer.',
    cautions: ['unplug'],
    hands: ({ drives }) => 4 * drives + 10,
    tools: 'leads, ties',
    good: 'Every plug clicks, nothing near a fan, air at every drive.',
    ifNot: { advice: '', trees: ['T5'], steps: [] },
    needs: ['assembly.drives', 'assembly.first', 'assembly.small'],
    when: ['opened'],
  },
  {
    id: 'assembly.outside',
    do:
      'Enclosure: each drive into its bay of the plan, its own supply on a socket of ' +
      'its own, its lead to the port named here, the lead fixed so that it cannot be ' +
      'pulled; portable drives labelled at both ends.',
    why: 'A loose plug outside looks like a failing drive.',
    cautions: ['unplug', 'heavy'],
    hands: ({ outside }) => 3 * outside + 5,
    tools: 'labels, tie',
    good: 'Every drive is seen with its size and serial.',
    ifNot: { advice: '', trees: ['T5'], steps: [] },
    needs: ['before.labels', 'before.room'],
    when: ['outside'],
  },
  {
    id: 'assembly.start',
    do:
      'First whole start, side off where it has one, on the watt meter: peak, watts at ' +
      'rest, button, lamp, every drive seen with its size.',
    why: 'The start of all drives is the most that the supply has to give.',
    cautions: ['handsOut'],
    hands: 15,
    tools: 'watt meter',
    good: "Peak at most the plan's surge ÷ efficiency, rest in its range, all drives seen.",
    ifNot: { advice: 'Stagger the start.', trees: ['T1', 'T2', 'T3', 'T4', 'T5'], steps: [] },
    needs: ['assembly.leads', 'assembly.drives', 'assembly.outside', 'before.owned', 'before.room'],
    when: ['drives'],
  },
  {
    id: 'assembly.close',
    do:
      'Pulled data leads back in; close it, carry it to its place (two people above 15 ' +
      'kg; in a rack somebody or a box holds it until all screws are in), wall socket ' +
      'of its own.',
    why:
      'A running drive does not survive a knock; a rack machine falls on the first two ' +
      'screws.',
    cautions: ['heavy', 'mains'],
    hands: 20,
    tools: 'second person',
    good: 'Vents free, nothing rattles.',
    ifNot: { advice: '', trees: [], steps: [] },
    needs: ['assembly.start', 'system.headless'],
    when: [],
  },
]
