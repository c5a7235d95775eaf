import type { Step } from '../step'

export const services: readonly Step[] = [
  {
    id: 'services.media',
    do: 'Media software beside the engine, index on SSD, one library a folder.',
    why: 'Mixed folders are recognised wrongly.',
    cautions: [],
    hands: 30,
    wait: 10,
    tools: '',
    good: 'Each library is there, empty.',
    ifNot: { advice: '', trees: [], steps: [] },
    needs: ['people.rights', 'system.updates'],
    when: ['media'],
  },
  {
    id: 'services.engine',
    do:
      'Driver; rights to the engine for service, container or guest; convert one hard ' +
      'title and look what is busy.',
    why: 'It may fall back to software and not say so.',
    cautions: [],
    hands: 20,
    tools: 'one hard title',
    good: 'Engine busy, processor below 30 %.',
    ifNot: { advice: 'Driver, rights, start the stream again.', trees: ['T9'], steps: [] },
    needs: ['services.media'],
    when: ['engine'],
  },
  {
    id: 'services.others',
    do: 'One service after the other: port, folder, memory, reach; export its settings.',
    why: 'Two on one port: the newer is blamed.',
    cautions: [],
    hands: ({ services }) => 20 * services,
    tools: '',
    good: 'Each answers, memory as planned.',
    ifNot: { advice: '', trees: ['T11'], steps: [] },
    needs: ['services.media', 'people.rights'],
    when: ['services'],
  },
  {
    id: 'services.devices',
    do: 'On each device: app, sign-in, quality limit. Then unplug the internet line and play.',
    why:
      'One wrong setting looks like a slow machine; some software asks outside before ' +
      'each film.',
    cautions: [],
    hands: ({ devices }) => 8 * devices + 10,
    tools: '',
    good: 'Libraries shown; plays as the plan says.',
    ifNot: { advice: 'Allow it in the firewall.', trees: ['T11'], steps: [] },
    needs: ['services.media', 'folders.trial'],
    when: ['media'],
  },
  {
    id: 'services.phones',
    do: 'Upload of photos at night on the charger; take one and wait for it.',
    why: 'The missing years are noticed years later.',
    cautions: [],
    hands: ({ phones }) => 8 * phones,
    tools: '',
    good: 'It is there and the phone cannot delete it.',
    ifNot: { advice: "The app's permission, Wi-Fi at night.", trees: [], steps: [] },
    needs: ['services.others'],
    when: ['phones'],
  },
]
