import { ask, exchange, fine, fix, to, tree, type FaultTree } from './faultTree'

/** What is not found, slow, stutters, or cannot be reached. */
export const networkFaults: readonly FaultTree[] = [
  {
    id: 'T7',
    label: 'A share is not found',
    nodes: {
      1: {
        ask: 'Is it found by its address instead of its name?',
        answers: [
          fix(
            'Yes',
            'The name only.',
            "Enter the name in the router, switch discovery on, mark the computer's network as " +
              'private.',
          ),
          to('No', '2'),
        ],
      },
      2: {
        ask: 'Does the machine answer at all?',
        answers: [tree('No', 'T11'), to('Yes', '3')],
      },
      3: {
        ask:
          'Is the sharing service on, are changes applied, and does the firewall let it ' +
          'through?',
        answers: [
          fix('No', 'The service does not answer.', 'Switch it on, apply, allow it.'),
          to('Yes', '4'),
        ],
      },
      4: {
        ask: 'What does the computer say?',
        answers: [
          fix(
            'Refused, signed in as somebody else',
            'A stored sign-in.',
            'Forget stored sign-ins, then sign in anew.',
          ),
          fix('Refused as a guest', 'The computer refuses guests.', 'Give that person an account.'),
          fix(
            'Refused, or empty, under the right account',
            'Rights on the folder above.',
            'Set the rights anew, from the top.',
          ),
          fix(
            'An old device asks for an old protocol',
            'The device is too old.',
            'Newer firmware there; never an older protocol here.',
          ),
        ],
      },
    },
  },
  {
    id: 'T8',
    label: 'A slow copy',
    nodes: {
      1: {
        ask: 'Does a test of the network alone reach the rate of its slowest link?',
        answers: [to('No', '2'), to('Yes', '4')],
      },
      2: {
        ask: 'What does it reach?',
        answers: [
          exchange(
            'About 94 Mb/s',
            'A lead or port of 100 Mb/s, or two of four pairs.',
            'Exchange the lead, the plug or the port.',
          ),
          fix('It goes by radio', 'Wi-Fi.', 'Copy by cable.'),
          fix(
            'Half or less, by cable',
            'A switch, powerline, or a processor that is busy with encryption.',
            'Take them out of the way one by one.',
          ),
          to('The copy is to a drive on USB', '3'),
        ],
      },
      3: {
        ask: 'Is it about 35 MB/s?',
        answers: [
          fix('Yes', 'An old port or lead.', 'Use a port of the newer standard, and its lead.'),
          to('No', '4'),
        ],
      },
      4: {
        ask: 'On the machine itself, does a test of the disks reach their rate?',
        answers: [
          fix(
            'No: a rebuild, a scrub or a self-test runs',
            'Other work on the drives.',
            'Let it end first.',
          ),
          fix(
            'No: a shingled drive fills, or a cache is full',
            'The drive writes slower once its fast part is full.',
            'Let it rest, then go on; copy in shorter runs.',
          ),
          fine(
            'No: parity is read and written with every write',
            'That is how this layout writes: four to seven tenths of the rate.',
            'Carry on, or build the parity after copying.',
          ),
          tree('No: a drive is warm or failing', 'T12'),
          to('Yes', '5'),
        ],
      },
      5: {
        ask: 'Are they many small files?',
        answers: [
          fine('Yes', 'Small files take three times as long.', 'Carry on, or pack them first.'),
          fix(
            'No',
            'The source, a virus scan, or a limit that was set.',
            'Read from the source alone; lift the limit.',
          ),
        ],
      },
    },
  },
  {
    id: 'T9',
    label: 'It stutters at home',
    nodes: {
      1: {
        ask: 'On one device only?',
        answers: [to('Yes', '2'), to('On all', '3')],
      },
      2: {
        ask: 'On that device by cable too?',
        answers: [
          fix('No', 'Wi-Fi.', 'A cable, another channel, or a lower quality there.'),
          fix(
            'Yes, and it is converted though the plan says that it plays as it is',
            'A quality limit, or subtitles of the app.',
            'Lift the limit; use subtitles as text.',
          ),
          fix(
            'Yes, and it plays as it is',
            'A title with peaks above its link.',
            'A second, smaller copy, or a faster link.',
          ),
        ],
      },
      3: {
        ask: 'Is it converting?',
        answers: [
          fix(
            'No',
            'The drives are busy (rebuild, scrub, backup at that hour), or a link is full.',
            'Move that work to another hour.',
          ),
          to('Yes', '4'),
        ],
      },
      4: {
        ask: 'Is the video engine busy?',
        answers: [
          fix(
            'No',
            'It fell back to software.',
            'Stop the stream and start it again; look at driver, licence and rights.',
          ),
          fix(
            'Yes, at its limit',
            'More at once than planned, or HDR.',
            'A lower quality, or a second copy of those titles.',
          ),
          fix(
            'Everything hangs',
            'The media software.',
            'Restart it; if it comes back, switch the engine off for that codec.',
          ),
          tree('The machine is hot', 'T14'),
        ],
      },
    },
  },
  {
    id: 'T10',
    label: 'It stutters away',
    nodes: {
      1: {
        ask: 'Measured now, does the upload carry the streams with a tenth to spare?',
        answers: [
          fix(
            'No',
            'A backup or an upload runs, or the line is slower in the evening.',
            'Pause it, limit it, or send a lower quality.',
          ),
          to('Yes', '2'),
        ],
      },
      2: {
        ask: 'Is the download at that place under what is sent, with a fifth taken off?',
        answers: [fix('Yes', 'The line there.', 'A lower quality for that place.'), to('No', '3')],
      },
      3: {
        ask: "Does it go through a relay instead of the tunnel's direct way?",
        answers: [
          fix(
            'Yes',
            'The provider shares one address among houses, so a relay stands between.',
            'Ask the provider for an address of your own.',
          ),
          tree('No: it is converted at home', 'T9'),
        ],
      },
    },
  },
  {
    id: 'T11',
    label: 'It cannot be reached',
    nodes: {
      1: {
        ask: 'From home, does it answer by its address?',
        answers: [to('Yes, only from away it does not', '3'), to('No', '2')],
      },
      2: {
        ask: 'Does its lamp glow, and does the network lamp blink?',
        answers: [
          tree('No lamp', 'T1'),
          fix('The network lamp is dark', 'Lead or switch.', 'Another lead, another port.'),
          fix(
            'Yes, and the router lists another address',
            'Its address changed.',
            'Reserve the address in the router.',
          ),
          fix(
            'Yes, but the computer is on another network',
            'The guest Wi-Fi, or a firewall.',
            'Join the home network; allow it.',
          ),
          fix(
            'Yes, and one service alone is missing',
            'Its port is in use by another service.',
            'Give one of them another port.',
          ),
          fix('Yes, but it sleeps', 'The machine sleeps.', 'Switch sleeping off.'),
        ],
      },
      3: {
        ask: "Does the line's own address answer from outside?",
        answers: [
          fix('No', 'The line is down.', 'Wait, or call the provider.'),
          fix(
            'Yes, but it is another one than before',
            'The address of the line changed.',
            'Use a name service that follows it.',
          ),
          fix(
            'Two routers stand in a row, or the address is shared',
            'Nothing from outside gets through.',
            'A tunnel that dials out, or a relay.',
          ),
          fix(
            'Yes, and the tunnel alone refuses',
            'A key has expired, or a clock is wrong.',
            'Set the clock; give the device a new key.',
          ),
        ],
      },
    },
  },
  {
    id: 'T15',
    label: 'A lost password',
    nodes: {
      1: {
        ask: 'Whose is it?',
        answers: [
          fix(
            "A viewer's",
            'It was forgotten.',
            'The administrator sets a new one, tests it, and forgets the stored sign-ins.',
          ),
          to("The administrator's", '2'),
          ask(
            'The key of an encrypted pool or copy',
            'Without the key those data are lost.',
            'Look for the second key in the envelope. Write two keys down when settings are ' +
              'exported.',
          ),
        ],
      },
      2: {
        ask: 'Is it in the sealed envelope, or in the password store of the second person?',
        answers: [fix('Yes', 'It was kept.', 'Use it, and seal a new envelope.'), to('No', '3')],
      },
      3: {
        ask: 'Is there another administrator?',
        answers: [
          fix('Yes', 'Somebody else can set it.', 'Let them set a new one.'),
          fix(
            'No',
            'Nobody can set it from afar.',
            "The system's reset at the machine itself (button, or start menu with screen and " +
              'keyboard); then restore the exported settings.',
          ),
        ],
      },
    },
  },
]
