/** The largest plan there can be: every list at its limit, no two entries alike. */
export function largestPlan() {
  const days = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun']
  const classes = ['tv2020', 'stickHd', 'tablet', 'browser', 'oldSetTop']
  return {
    name: 'Largest',
    household: {
      viewers: Array.from({ length: 40 }, (_, at) => ({ id: `v${at}` })),
      devices: Array.from({ length: 40 }, (_, at) => ({
        id: `d${at}`,
        class: classes[at % classes.length],
      })),
      habits: Array.from({ length: 200 }, (_, at) => ({
        viewer: `v${at % 40}`,
        device: `d${at % 40}`,
        days: days.filter((__, day) => (at + day) % 3 > 0),
        earliest: (at * 61) % 1440,
        latest: (at * 61 + 200 + at * 7) % 1440,
        minutes: 60 + at,
        chance: 0.1 + (0.8 * ((at * 37) % 100)) / 100,
        onBusyDays: at % 5 === 0,
        watches: { film: 1 + (at % 3), series: at % 4, homeVideo: at % 2 },
      })),
      busyDaysPerYear: 20,
    },
    library: {
      holdings: Array.from({ length: 200 }, (_, at) => ({
        kind: ['film', 'series', 'homeVideo'][at % 3],
        titles: 100 + at,
        bitrateMbps: 2 + at * 0.37,
        addedPerMonth: 1,
      })),
    },
    machine: {
      score: 9000,
      cores: 8,
      base: 'parts',
      parts: [
        ...[
          'turnpike-21',
          'bore-21',
          'fern-server',
          'ladder-4x',
          'mole-800r',
          'splice-16',
          'splice-16',
          'flint-500n',
        ].map(ref => ({ ref })),
        ...Array.from({ length: 52 }, (_, at) => ({
          ref: ['memory-32e', 'sedge-120', 'twine-breakout', 'heron-10f', 'trug-8c'][at % 5],
          count: 1 + (at % 3),
          purpose: at % 4 ? 'spare' : 'fitted',
          note: `Line ${at}`,
        })),
      ],
      ownParts: Array.from({ length: 5000 }, (_, at) => ({
        id: `own-${at}`,
        label: `Own part ${at}`,
        kind: ['supply', 'fan', 'ssd'][at % 3],
        price: at % 200,
        traits: [
          { ratingW: 300 + (at % 700), supplyForm: 'ATX' },
          { sizeMm: 120, rpm: 700 + (at % 900) },
          { sizeGB: 100 + at },
        ][at % 3],
      })),
      atHand: Array.from({ length: 12 }, (_, at) => ({
        name: `Computer ${at}`,
        ref: ['clerk-15', 'crane-10', 'pebble-21'][at % 3],
      })),
    },
    system: {
      ownKinds: Array.from({ length: 12 }, (_, at) => ({ id: `kind-${at}`, label: `Kind ${at}` })),
      services: Array.from({ length: 40 }, (_, at) => ({
        name: `Service ${at}`,
        ports: String(8000 + at),
        on: ['host', 'container', 'guest'][at % 3],
        memoryGB: 0.2,
      })),
    },
    drives: {
      lots: Array.from({ length: 30 }, (_, at) => ({
        count: 2,
        sizeTB: 4 + (at % 8) * 2 + at / 100,
        group: 1 + (at % 12),
      })),
      layout: 'mirror',
      purchases: Array.from({ length: 30 }, (_, at) => ({
        month: at * 6,
        count: 1,
        sizeTB: 20 + at / 10,
        how: 'allSmaller',
      })),
      arrivals: Array.from({ length: 30 }, (_, at) => ({
        name: `Arrival ${at}`,
        gbPerDay: at,
        from: (at * 47) % 1440,
      })),
      coverages: ['drives', 'sector', 'deletion', 'malware', 'surge', 'theft', 'board'].flatMap(
        peril =>
          ['snapshots', 'ups', 'secondBox', 'offlineCopy', 'awayCopy'].map(measure => ({
            peril,
            measure,
            share: 0.5,
          })),
      ),
      secondBox: 'everything',
      offlineCopy: 'everything',
      awayCopy: 'everything',
    },
  }
}
