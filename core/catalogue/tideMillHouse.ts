import type { PlanInput } from '../plan/planSchema'

/** Demo plan: an invented household in a converted tide mill. */
export const tideMillHouse: PlanInput = {
  name: 'Tide Mill House',
  brief: {
    who: 'Three generations in a converted tide mill, the workshop across the yard, a daughter at sea on a survey ship and grandfather in the lock-keeper\'s cottage. Films on disc, series, restored cine reels, the choir\'s concerts and all our photographs.',
    place: 'cupboard', currency: 'EUR', budget: 1700,
  },
  household: {
    places: [{ id: 'ship', name: 'Survey ship', downloadMbps: 6 }, { id: 'cottage', name: 'Lock cottage', downloadMbps: 30 }],
    viewers: [
      { id: 'maren', name: 'Maren', colour: 'teal' }, { id: 'joost', name: 'Joost', colour: 'rust' }, { id: 'ilse', name: 'Ilse', colour: 'plum' },
      { id: 'pim', name: 'Pim', colour: 'ochre' }, { id: 'workshop', name: 'Workshop', colour: 'umber', lowestRungMbps: 2 },
      { id: 'thea', name: 'Thea, at sea', colour: 'slate', place: 'ship', lowestRungMbps: 2, chooses: 'phone' },
      { id: 'grandfather', name: 'Grandfather', colour: 'moss', place: 'cottage' },
    ],
    devices: [
      { id: 'parlour', name: 'Parlour television', class: 'tv2020', link: 'wifiGood' },
      { id: 'attic', name: 'Attic stick', class: 'stickHd', link: 'wifiPoor' },
      { id: 'kitchen', name: 'Kitchen tablet', class: 'tablet', link: 'wifiFair' },
      { id: 'bench', name: 'Workshop computer', class: 'browser', link: 'wifiPoor' },
      { id: 'cabin', name: 'Cabin laptop', class: 'browser', link: 'wifiGood' },
      { id: 'settop', name: 'Cottage set-top', class: 'oldSetTop', link: 'wired100' },
    ],
    habits: [
      { name: 'Evening film', viewer: 'maren', device: 'parlour', earliest: 1200, latest: 1260, minutes: 110, chance: 0.6, watches: { film: 3, series: 1, homeVideo: 0.5 } },
      { name: 'Series in the attic', viewer: 'joost', device: 'attic', days: ['tue', 'wed', 'thu', 'fri', 'sat'], earliest: 1230, latest: 1350, minutes: 90, chance: 0.55, watches: { film: 1, series: 3 } },
      { name: 'While cooking', viewer: 'ilse', device: 'kitchen', earliest: 1020, latest: 1110, minutes: 45, chance: 0.6, watches: { film: 0, series: 1 } },
      { name: 'Concerts of the choir', viewer: 'ilse', device: 'kitchen', days: ['sun'], earliest: 1200, latest: 1260, minutes: 95, chance: 0.5, watches: { film: 0, series: 0, homeVideo: 1 } },
      { name: 'After school', viewer: 'pim', device: 'parlour', days: ['mon', 'tue', 'wed', 'thu', 'fri'], earliest: 930, latest: 990, minutes: 60, chance: 0.7, watches: { film: 1, series: 4 } },
      { name: 'Reels at the bench', viewer: 'workshop', device: 'bench', days: ['sat', 'sun'], earliest: 840, latest: 1020, minutes: 80, chance: 0.5, watches: { film: 0, series: 0, homeVideo: 1 } },
      { name: 'Off watch', viewer: 'thea', device: 'cabin', earliest: 1200, latest: 1350, minutes: 70, chance: 0.65, watches: { film: 1, series: 2 } },
      { name: 'Night at the lock', viewer: 'grandfather', device: 'settop', earliest: 1170, latest: 1260, minutes: 100, chance: 0.7, watches: { film: 2, series: 1, homeVideo: 1 } },
      { name: 'Guests in the parlour', viewer: '', device: 'kitchen', days: ['sat', 'sun'], earliest: 1200, latest: 1230, minutes: 120, chance: 0.9, watches: { film: 1, series: 0 }, onBusyDays: true },
    ],
    busyDaysPerYear: 14,
    watchingHome: 3, watchingAway: 2, converted: 3,
  },
  library: {
    startsOn: '2026-11',
    holdings: [
      { kind: 'film', name: 'Films, as on disc', quality: 'hd1080-disc', titles: 160, minutes: 112, addedPerMonth: 4 },
      { kind: 'film', name: 'Films, re-encoded', quality: 'hd1080-h264', titles: 420, minutes: 108, addedPerMonth: 3 },
      { kind: 'film', name: 'Films in HDR', quality: 'uhd-hdr-hevc', titles: 38, minutes: 121, addedPerMonth: 2 },
      { kind: 'series', name: 'Series', quality: 'hd1080-hevc', titles: 1350, minutes: 44, addedPerMonth: 22, removedPerMonth: 4 },
      { kind: 'film', name: 'Old discs', quality: 'sd-disc', titles: 240, minutes: 96, addedPerMonth: 0 },
      { kind: 'homeVideo', name: 'Cine reels, restored', quality: 'home1080-h264', titles: 130, minutes: 14, addedPerMonth: 6 },
      { kind: 'homeVideo', name: 'Choir concerts', quality: 'home1080-hevc', titles: 62, minutes: 95, addedPerMonth: 1 },
      { kind: 'photos', name: 'Photographs', quality: 'photo', titles: 64_000, addedPerMonth: 700 },
      { kind: 'music', name: 'Records', quality: 'music-lossless', titles: 610, minutes: 46, addedPerMonth: 2 },
    ],
    events: [{ name: 'Two hundred reels digitised', month: '2027-03', sizeGB: 360 }],
    otherTB: 0.55, otherGrowthGBPerMonth: 10,
  },
  machine: {
    name: 'Old workshop tower', base: 'parts', condition: 'owned', score: 6200,
    parts: ['stile-13w', 'leat-13w', 'fern-boxed', 'memory-4-old', 'coffer-4', 'mole-300', 'flint-120'].map(ref => ({ ref, condition: 'owned' as const, count: ref === 'memory-4-old' ? 2 : 1 })),
    atHand: [
      { name: 'Office computer of the choir', ref: 'clerk-15', lastSeen: 'year', faults: 'without a disk' },
      { name: 'Server from the survey office', ref: 'crane-10', lastSeen: 'years', faults: 'howls', worth: 40 },
    ],
  },
  drives: {
    lots: [{ count: 2, sizeTB: 8, priceEach: 165 }, { count: 1, sizeTB: 4, condition: 'owned' }],
    layout: 'dedicated-1', fileSystem: 'journalled', driveClass: 'nas', outerMBps: 210,
    arrivals: [
      { name: 'Pictures from all phones', source: 'phones', gbPerDay: 3, from: 60, hours: 4, link: 'wifi' },
      { name: 'Workshop computer', source: 'backups', gbPerDay: 25, daysPerWeek: 5, from: 1320, hours: 5, link: 'wired' },
      { name: 'Discs at the ripping bench', source: 'ripping', gbPerDay: 120, daysPerWeek: 1, from: 600, hours: 7, link: 'here', pauses: false },
      { name: 'Pictures from the old online store', source: 'store', gbPerDay: 40, daysPerWeek: 7, from: 120, hours: 5, link: 'internet', limitMbps: 15 },
    ],
  },
  system: {
    services: [
      { name: 'Pictures from phones', memoryGB: 1.2, ports: '2283', loss: 'irreplaceable' },
      { name: 'Notebook of the house', memoryGB: 0.3, ports: '8080', reach: 'away' },
    ],
  },
  network: { uploadMbps: 22, uploadReserveShare: 0.25, awayRungMbps: 4, serverPortMbps: 1000 },
  costs: { pricePerKWh: 0.31, extras: 85 },
  choices: { horizonYears: 5 },
}
