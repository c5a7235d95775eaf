import { exchange, fix, to, tree, type FaultTree } from './faultTree'

/** Drives that are not seen, fail or run hot. */
export const driveFaults: readonly FaultTree[] = [
  {
    id: 'T5',
    label: 'A drive is not seen',
    nodes: {
      1: {
        ask: 'Does it turn, as far as you can feel or hear?',
        answers: [
          fix(
            'No',
            'It has no power.',
            'Another power lead, plug or splitter. A drive from an external case may refuse the ' +
              'third power line: use a lead without that line.',
          ),
          exchange('It clicks', 'The drive has failed.', 'Exchange it.'),
          to('Yes', '2'),
        ],
      },
      2: {
        ask: 'Is its port one that stays live with these places filled? Fit says which are off.',
        answers: [
          fix('No', 'Another place switches the port off.', 'Move the drive to a live port.'),
          to('Yes', '3'),
        ],
      },
      3: {
        ask: 'With another lead and another port, is it seen?',
        answers: [
          fix('Yes', 'The lead or the port.', 'Exchange the lead; leave a bad port empty.'),
          to('No', '4'),
        ],
      },
      4: {
        ask: 'Is it seen in another computer?',
        answers: [
          fix(
            'Yes',
            'The port is off in the firmware, the controller runs in RAID mode, or plug or ' +
              'backplane of the bay have failed.',
            'Switch it on, use the plain mode, try another bay.',
          ),
          exchange('No', 'The drive has failed.', 'Exchange it.'),
          fix(
            'Here by the firmware, but not by the system',
            'A driver, an old pool mark or a partition table.',
            'Install the driver; remove old marks only after its serial number was read aloud.',
          ),
          fix(
            'With 2.2 TB only',
            'The controller is too old for large drives.',
            'Use a port of the board, or a newer controller.',
          ),
        ],
      },
    },
  },
  {
    id: 'T12',
    label: 'A drive fails a test',
    nodes: {
      1: {
        ask: 'Is it under two weeks old?',
        answers: [
          exchange('Yes', 'It fails early.', 'Send it back while the shop still takes it.'),
          to('No', '2'),
        ],
      },
      2: {
        ask: 'What failed?',
        answers: [
          exchange(
            'A read, or its own verdict',
            'The drive is failing.',
            'Copy what only it holds, then replace it.',
          ),
          fix(
            'The test was interrupted',
            'A restart, a power cut, or it slept.',
            'Start the test again.',
          ),
          fix(
            'The count of CRC errors',
            'The lead or the port.',
            'New lead, other port; the count must stand still from then on.',
          ),
          to('Pending sectors only', '3'),
          tree('It was hot', 'T14'),
        ],
      },
      3: {
        ask: 'After a scrub, or once those sectors were written, what of the pending ones?',
        answers: [
          fix('They are gone', 'Weak sectors.', 'Watch the drive; carry on.'),
          exchange('There are more', 'The drive is failing.', 'Replace it.'),
        ],
      },
    },
  },
  {
    id: 'T13',
    label: 'The pool is degraded',
    nodes: {
      1: {
        ask: 'Which drive is it, by its serial number?',
        answers: [
          fix(
            'Not known',
            'A guess would pull the wrong drive.',
            'Take the list that was compared when the pool was made; never guess.',
          ),
          to('Known', '2'),
          fix(
            'The pool is lost',
            'More drives failed than the layout survives.',
            'Stop. Write nothing to the drives. Restore from the copies, and ask somebody who ' +
              'recovers data where there are none.',
          ),
        ],
      },
      2: {
        ask: 'Is it gone, or present with errors?',
        answers: [
          fix(
            'Gone',
            'Lead, bay or controller.',
            'Back in, and make the pool whole. Several at once: power or controller; pull nothing.',
          ),
          to('Present with errors', '3'),
        ],
      },
      3: {
        ask: 'Is there a copy of what cannot be replaced?',
        answers: [
          fix('No', 'It stands on these drives alone.', 'Make that copy first, then come back.'),
          to('Yes', '4'),
        ],
      },
      4: {
        ask: 'Is a drive at hand that is at least as large?',
        answers: [
          exchange(
            'Yes',
            'The drive has failed.',
            'Machine off unless it has trays; the right bay, the right serial number; the new ' +
              'drive in. Rebuild with no other work, then scrub; label the old one "failed".',
          ),
          exchange(
            'No',
            'The drive has failed.',
            'Order one now, and leave the pool in peace until it is there.',
          ),
        ],
      },
    },
  },
  {
    id: 'T14',
    label: 'Hot or loud',
    nodes: {
      1: {
        ask: 'Which is it? Above 60 °C at a drive: shut the machine down first.',
        answers: [to('Drives are hot', '2'), to('The processor is hot', '3'), to('Noise', '4')],
      },
      2: {
        ask: "Is the room warmer than the plan's warmest?",
        answers: [
          fix('Yes', 'The room.', 'Another place, or a cooler room.'),
          fix(
            'No',
            'Air does not get through.',
            'In this order: open the cupboard, clean the filter, look whether the fan turns, ' +
              'leave a bay free between drives.',
          ),
        ],
      },
      3: {
        ask: 'Is it busy with a conversion or a scan that hangs?',
        answers: [
          fix('Yes', 'Work that never ends.', 'Stop it.'),
          fix(
            'No',
            'The cooling.',
            'Blow the dust out, renew the paste, look whether all pins of the cooler hold.',
          ),
        ],
      },
      4: {
        ask: 'What does it sound like?',
        answers: [
          fix('A rattle', 'Something is loose.', 'Screws, rubber, side panel.'),
          fix('A hum in waves', 'Two drives in step.', 'Mounts that take up vibration.'),
          fix('A fan', 'Its curve, or its bearing.', 'Set the curve slower, or exchange the fan.'),
          tree('Clicking', 'T12'),
        ],
      },
    },
  },
]
