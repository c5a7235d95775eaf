import type { Step } from '../step'

export const bench: readonly Step[] = [
  {
    id: 'bench.start',
    do:
      "On the board's carton, outside the case: board, processor, cooler, one memory " +
      'stick in the slot the manual names, supply; screen on the right output; bridge ' +
      'the two button pins.',
    why: 'With five parts there are few causes to check, in a full case many.',
    cautions: ['supply', 'static'],
    hands: 40,
    tools: 'screwdriver, paste',
    good: 'Firmware shows within 60 s (first start of new memory: 5 min).',
    ifNot: { advice: "A bent pin is the shop's work.", trees: ['T1', 'T2', 'T3'], steps: [] },
    needs: ['before.check', 'before.clean', 'before.room'],
    when: ['built'],
  },
  {
    id: 'bench.memory',
    do:
      'Read processor, memory size and speed in the firmware; add the other sticks one ' +
      'at a time; then one whole pass of a memory test, overnight for a used machine.',
    why: 'Bad memory writes bad files and copies them to every backup.',
    cautions: [],
    hands: 15,
    wait: ({ memoryGB }) => 8 * memoryGB,
    tools: 'memory-test stick',
    good: "The plan's memory, both channels, 0 errors.",
    ifNot: { advice: '', trees: ['T4'], steps: [] },
    needs: ['bench.start', 'before.owned'],
    when: [['built', 'used'], '!maker'],
  },
]
