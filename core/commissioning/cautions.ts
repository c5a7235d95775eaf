/** Cautions, shown whole at each step that they belong to. */
export const cautions = {
  unplug:
    'Switch off, pull the plug, wait 30 seconds, press the button once. Only trays that are made ' +
    'for it are swapped while the machine runs.',
  unplugUnlessTrays:
    'Switch off, pull the plug, wait 30 seconds, press the button once, unless the drives go ' +
    'into trays that are made to be swapped while the machine runs.',
  supply:
    'Never open a power supply: it holds a charge that kills, for minutes after the plug is ' +
    'pulled.',
  static: 'Touch bare metal of the case first, and hold boards by their edge.',
  edges: 'Sheet metal cuts: mind the edges of the case.',
  heavy:
    'Lift with two people above 15 kg. Set a drive down, do not drop it, and move it only when ' +
    'it has stood still for 20 seconds.',
  mains:
    'Use one wall socket, no extension lead in another and no damaged lead. Fixed wiring is work ' +
    'for a licensed electrician, by the rules of where you live.',
  battery:
    'Batteries are heavy and always live. A swollen one is taken away by those who take them, ' +
    'and never opened.',
  erases: 'The wrong drive is erased for good: read its serial number aloud before you confirm.',
  source: 'The source stays untouched until the restore test is dated.',
  opened: 'Nothing is opened to the world but the tunnel.',
  handsOut:
    'Keep hands, hair and leads out of the case while it runs, and children and pets away from ' +
    'its fans. Moulded plug adapters burn: do not use them.',
} as const
export type CautionId = keyof typeof cautions
