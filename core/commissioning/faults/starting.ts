import { ask, exchange, fine, fix, to, tree, type FaultTree } from './faultTree'

/** A machine that does not start, or not whole. */
export const starting: readonly FaultTree[] = [
  {
    id: 'T1',
    label: 'Nothing happens',
    nodes: {
      1: {
        ask: 'With the plug in, does a lamp on the board or at the network port glow?',
        answers: [
          to('Yes', '3'),
          fix(
            'No, but the supply or the socket was off, or the lead is another one now',
            'No power arrived.',
            'Switch the supply on, use a socket that works and a good lead.',
          ),
          to('No, with all of these tried', '2'),
        ],
      },
      2: {
        ask: 'With another supply, does it glow and start?',
        answers: [
          exchange(
            'Yes',
            'The supply has failed.',
            'Exchange the supply whole. Never open it: it holds a charge that kills.',
          ),
          to('No', '4'),
        ],
      },
      3: {
        ask: 'Bridge the two button pins for a second: what does it do?',
        answers: [
          fix('It starts', 'The button or its lead.', 'Plug the lead of the button in again.'),
          fix(
            'It twitches and stops',
            'A short, or the processor has no power.',
            'Plug the processor lead in, look for a stand-off too many, leave one memory stick ' +
              'in, try it outside the case.',
          ),
          to('Nothing', '2'),
        ],
      },
      4: {
        ask: 'Are a board and a processor of a like machine at hand?',
        answers: [
          fix(
            'Yes',
            'Board or processor.',
            'Change one at a time: the one with which it starts has replaced the one that failed.',
          ),
          ask(
            'No',
            'Board or processor, which cannot be told without others.',
            'Pay for a diagnosis in a shop before anything is bought.',
          ),
        ],
      },
    },
  },
  {
    id: 'T2',
    label: 'It beeps or blinks',
    nodes: {
      1: {
        ask: 'What does the pattern mean in the manual of the board?',
        answers: [
          tree('Memory', 'T4'),
          tree('Video', 'T3'),
          fix(
            'Processor or power',
            'The processor has no power, sits wrong or is not cooled.',
            'Plug the processor lead in, look for bent pins, seat the cooler.',
          ),
          fine('One short beep, and a picture', 'All is well.', 'Carry on.'),
          to('There is no manual, or no pattern', '2'),
        ],
      },
      2: {
        ask: 'With one memory stick and no card, is it quiet?',
        answers: [
          fix('Yes', 'The part that was put in last.', 'Take it out, and seat it again.'),
          exchange(
            'No',
            'Settings of the firmware, or a part.',
            "Clear the firmware's settings (battery out for a minute); if it stays so, exchange " +
              'the board.',
          ),
        ],
      },
    },
  },
  {
    id: 'T3',
    label: 'No picture',
    nodes: {
      1: {
        ask: "Do the fans run on, and does the keyboard's lamp switch?",
        answers: [tree('No fan runs', 'T1'), tree('Fans only', 'T2'), to('Both', '2')],
      },
      2: {
        ask:
          "Is the screen on the output that this build drives? The board's own needs a " +
          'processor with video; a card has its own.',
        answers: [
          fix('No', 'The screen is on another output.', 'Plug it into that one.'),
          to('Yes', '3'),
        ],
      },
      3: {
        ask:
          'With another lead, another kind of output, another screen, is there a picture? Old ' +
          'boards show nothing on the newest plug until the system runs.',
        answers: [
          fix('Yes', 'Lead, output or screen.', 'Use what shows a picture.'),
          to('No', '4'),
        ],
      },
      4: {
        ask:
          'With the card seated and its plug in, or without the card, and with the settings ' +
          'cleared, is there a picture?',
        answers: [
          fix('Yes', 'Card, slot or setting.', 'Keep what works; try the card in another slot.'),
          fine(
            'No, but it answers on the network',
            'It starts without a picture only.',
            'Carry on without a screen.',
          ),
          tree('No, and it does not answer', 'T2'),
        ],
      },
    },
  },
  {
    id: 'T4',
    label: 'Memory not whole',
    nodes: {
      1: {
        ask: 'Is every stick in the slots that the manual names, pressed until both clips close?',
        answers: [
          fix('No', 'A stick sits loose or elsewhere.', 'Seat every stick again.'),
          to('Yes', '2'),
        ],
      },
      2: {
        ask: 'Each stick alone in the same slot: does each pass?',
        answers: [exchange('One fails', 'That stick.', 'Exchange it.'), to('All pass', '3')],
      },
      3: {
        ask: 'One good stick in each slot in turn: does each slot pass?',
        answers: [
          exchange(
            'A slot fails',
            'A bent pin under the processor, or the board.',
            'Have the pins looked at in a shop; else exchange the board.',
          ),
          fix(
            'All pass',
            'Mixed kinds, too fast a setting, or more than the board takes.',
            'Set the standard speed, use like pairs, and keep to the maximum of the board.',
          ),
          fine(
            'All pass, and only part of it is missing beside a built-in video engine',
            "That is the engine's share.",
            'Carry on.',
          ),
        ],
      },
    },
  },
  {
    id: 'T6',
    label: 'The stick will not start',
    nodes: {
      1: {
        ask: 'Is it in the list of the start menu?',
        answers: [
          fix(
            'Yes, with another port, an older-standard stick, or fast start off in the firmware',
            'The port, or the fast start.',
            'Start it from there: ports at the rear of the older standard work most often.',
          ),
          to('No, with all of these tried', '2'),
          to('Yes', '3'),
        ],
      },
      2: {
        ask: 'Written again with another tool, and verified: is it there?',
        answers: [
          fix('Yes', 'A bad copy.', 'Start from it.'),
          exchange('No', 'The stick.', 'Take a stick of another make.'),
        ],
      },
      3: {
        ask: 'What does it do?',
        answers: [
          fix(
            'It starts, then stops',
            'The mode of starting, the release, or the boot protection.',
            'Try the other mode (old or new style of start), the release before, boot protection ' +
              'off.',
          ),
          fix('Only a blinking cursor', 'The boot order.', 'Put the stick first in the firmware.'),
          fix(
            'It starts the installer again after installing',
            'It starts from the stick still.',
            'Take the stick out.',
          ),
        ],
      },
    },
  },
]
