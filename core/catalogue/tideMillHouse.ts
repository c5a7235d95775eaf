import type { PlanInput } from '../plan/planSchema'

/** Demo plan: an invented household in a converted tide mill. */
export const tideMillHouse: PlanInput = {
  name: 'Tide Mill House',
  brief: {
    who: 'Three generations in a converted tide mill, the workshop across the yard, a daughter at sea on a survey ship and grandfather in the lock-keeper\'s cottage. Films on disc, series, restored cine reels, the choir\'s concerts and all our photographs.',
    place: 'cupboard', currency: 'EUR', budget: 1700,
  },
  household: {
    viewers: [
      { name: 'Maren', place: 'home' }, { name: 'Joost', place: 'home' }, { name: 'Ilse', place: 'home' }, { name: 'Pim', place: 'home' },
      { name: 'Workshop', place: 'home' }, { name: 'Thea, at sea', place: 'away' }, { name: 'Grandfather', place: 'away' },
    ],
    watchingHome: 3, watchingAway: 2, converted: 3,
  },
  library: {
    holdings: [
      { name: 'Films, as on disc', quality: 'hd1080-disc', titles: 160, minutes: 112, addedPerMonth: 4 },
      { name: 'Films, re-encoded', quality: 'hd1080-h264', titles: 420, minutes: 108, addedPerMonth: 3 },
      { name: 'Films in HDR', quality: 'uhd-hdr-hevc', titles: 38, minutes: 121, addedPerMonth: 2 },
      { name: 'Series', quality: 'hd1080-hevc', titles: 1350, minutes: 44, addedPerMonth: 22 },
      { name: 'Old discs', quality: 'sd-disc', titles: 240, minutes: 96, addedPerMonth: 0 },
      { name: 'Cine reels, restored', quality: 'home1080-h264', titles: 130, minutes: 14, addedPerMonth: 6 },
      { name: 'Choir concerts', quality: 'home1080-hevc', titles: 62, minutes: 95, addedPerMonth: 1 },
    ],
    otherTB: 1.1, otherGrowthGBPerMonth: 14,
  },
  machine: { name: 'Old workshop tower', score: 6200, cores: 4, bays: 4, boxIdleW: 38, boxLoadW: 96, price: 0 },
  drives: {
    lots: [{ count: 2, sizeTB: 8, priceEach: 165 }, { count: 1, sizeTB: 4, priceEach: 0 }],
    layout: 'dedicated-1', fileSystem: 'journalled', driveClass: 'nas', outerMBps: 210,
  },
  network: { uploadMbps: 22, uploadReserveShare: 0.25, awayRungMbps: 4, serverPortMbps: 1000 },
  costs: { pricePerKWh: 0.31, extras: 85 },
  choices: { horizonYears: 5 },
}
