import type { Case } from './hardwarePart'

export const plainCase = {
  kind: 'case',
  bays25: 1,
  bays525: 0,
  hotSwap: 0,
  bayLights: false,
  reach: 'side',
  cardSlots: 4,
  fullHeight: true,
  coolerMm: 155,
  cardMm: 300,
  supplyForm: 'ATX',
  fans: [{ sizeMm: 120, rpm: 1100 }],
  fanMounts: 2,
  airflow: 'slow',
  rackUnits: 0,
  dampsDb: 0,
  carriesW: null,
  idleW: 0,
  loadW: 0,
} as const satisfies Partial<Case>

const micro = ['mini-ITX', 'microATX'] as const
const full = ['mini-ITX', 'microATX', 'ATX'] as const
const quiet = (count: number, sizeMm = 120, rpm = 900) =>
  Array.from({ length: count }, () => ({ sizeMm, rpm }))

/** Cases that are sold by themselves, the smallest first. */
// prettier-ignore
export const cases: readonly Case[] = [
  { ...plainCase, id: 'creel-2', label: 'Creel 2', forms: ['mini-ITX'], bays35: 2, bays25: 2, cardSlots: 1, fullHeight: false, coolerMm: 65, cardMm: 170, widthMm: 230, heightMm: 130, depthMm: 280, supplyForm: 'brick', fans: quiet(1, 120, 1100), fanMounts: 1, reach: 'dismantle', weightKg: 3, price: 55, notes: 'Very small; a drive is changed by taking it apart.' },
  { ...plainCase, id: 'creel-2q', label: 'Creel 2, quiet', forms: ['mini-ITX'], bays35: 2, bays25: 2, cardSlots: 1, fullHeight: false, coolerMm: 65, cardMm: 170, widthMm: 240, heightMm: 150, depthMm: 290, supplyForm: 'SFX', fans: quiet(1, 140, 700), fanMounts: 1, airflow: 'across', reach: 'dismantle', weightKg: 4, dampsDb: 4, price: 90, notes: 'Lined, its drives on soft mounts.' },
  { ...plainCase, id: 'creel-4', label: 'Creel 4', forms: ['mini-ITX'], bays35: 4, hotSwap: 4, bayLights: true, cardSlots: 1, fullHeight: false, coolerMm: 70, cardMm: 180, widthMm: 220, heightMm: 260, depthMm: 260, supplyForm: 'SFX', fans: quiet(1, 140), fanMounts: 1, airflow: 'across', weightKg: 5, price: 135, notes: 'Four front trays with lamps.' },
  { ...plainCase, id: 'creel-6', label: 'Creel 6', forms: ['mini-ITX'], bays35: 6, cardSlots: 2, coolerMm: 125, cardMm: 310, widthMm: 250, heightMm: 330, depthMm: 380, supplyForm: 'SFX', fans: quiet(2), fanMounts: 3, airflow: 'across', weightKg: 6, price: 120 },
  { ...plainCase, id: 'creel-8', label: 'Creel 8', forms: micro, bays35: 8, hotSwap: 8, bayLights: true, cardSlots: 4, fullHeight: false, coolerMm: 60, cardMm: 270, widthMm: 280, heightMm: 300, depthMm: 360, supplyForm: 'SFX', fans: quiet(2), fanMounts: 2, airflow: 'across', weightKg: 8, price: 210, notes: 'Eight front trays; the cooler must be low.' },
  { ...plainCase, id: 'coffer-3', label: 'Coffer 3', forms: micro, bays35: 3, bays525: 1, reach: 'dismantle', widthMm: 180, heightMm: 360, depthMm: 400, weightKg: 5, price: 40 },
  { ...plainCase, id: 'coffer-4', label: 'Coffer 4', forms: full, bays35: 4, bays25: 2, bays525: 2, coolerMm: 160, cardMm: 320, widthMm: 200, heightMm: 440, depthMm: 460, fans: quiet(2, 120, 1000), fanMounts: 4, weightKg: 7, price: 55 },
  { ...plainCase, id: 'coffer-6', label: 'Coffer 6', forms: full, bays35: 6, bays25: 2, coolerMm: 165, cardMm: 330, widthMm: 220, heightMm: 450, depthMm: 480, fans: quiet(3), fanMounts: 5, airflow: 'across', weightKg: 8, dampsDb: 3, price: 90, notes: 'Lined against noise.' },
  { ...plainCase, id: 'coffer-10', label: 'Coffer 10', forms: full, bays35: 10, bays25: 4, bays525: 1, coolerMm: 170, cardMm: 320, widthMm: 235, heightMm: 470, depthMm: 540, fans: quiet(3, 140), fanMounts: 7, airflow: 'across', weightKg: 11, dampsDb: 3, price: 160, notes: 'Ten bays behind quiet doors.' },
  { ...plainCase, id: 'coffer-14', label: 'Coffer 14', forms: [...full, 'extended'], bays35: 14, bays25: 4, coolerMm: 185, cardMm: 420, cardSlots: 8, widthMm: 240, heightMm: 550, depthMm: 550, fans: quiet(4, 140), fanMounts: 9, airflow: 'across', weightKg: 14, price: 220 },
  { ...plainCase, id: 'chest-4f', label: 'Chest 4, fanless', forms: ['mini-ITX'], bays35: 0, bays25: 4, cardSlots: 1, fullHeight: false, coolerMm: 60, cardMm: 170, widthMm: 300, heightMm: 90, depthMm: 280, supplyForm: 'brick', fans: [], fanMounts: 0, airflow: 'none', reach: 'dismantle', weightKg: 4, carriesW: 35, price: 120, notes: 'Its walls carry 35 W away; for SSDs.' },
  { ...plainCase, id: 'chest-thin', label: 'Chest, flat', forms: micro, bays35: 2, bays25: 2, fullHeight: false, coolerMm: 80, cardMm: 250, widthMm: 440, heightMm: 110, depthMm: 360, supplyForm: 'SFX', fans: quiet(2, 80, 1500), fanMounts: 2, reach: 'dismantle', weightKg: 5, price: 95, notes: 'Lies under a television.' },
  { ...plainCase, id: 'chest-fanless', label: 'Chest, fanless', forms: ['mini-ITX'], bays35: 1, bays25: 3, cardSlots: 0, coolerMm: 40, cardMm: 0, widthMm: 300, heightMm: 90, depthMm: 260, supplyForm: 'brick', fans: [], fanMounts: 0, airflow: 'none', reach: 'dismantle', weightKg: 5, carriesW: 25, price: 140, notes: 'Its walls carry 25 W away.' },
  { ...plainCase, id: 'ladder-2', label: 'Ladder 2U', forms: full, bays35: 8, hotSwap: 8, bayLights: true, cardSlots: 7, fullHeight: false, coolerMm: 60, cardMm: 280, widthMm: 430, heightMm: 88, depthMm: 650, supplyForm: 'rack', fans: quiet(3, 80, 5000), fanMounts: 3, airflow: 'across', rackUnits: 2, weightKg: 16, price: 230, notes: 'Fans of a rack: loud.' },
  { ...plainCase, id: 'ladder-4', label: 'Ladder 4U', forms: [...full, 'extended'], bays35: 12, hotSwap: 12, bayLights: true, cardSlots: 7, coolerMm: 130, cardMm: 330, widthMm: 430, heightMm: 178, depthMm: 650, fans: quiet(3, 120, 1500), fanMounts: 5, airflow: 'across', rackUnits: 4, weightKg: 22, price: 320 },
  { ...plainCase, id: 'ladder-4x', label: 'Ladder 4U, twenty-four', forms: [...full, 'extended'], bays35: 24, hotSwap: 24, bayLights: true, cardSlots: 7, coolerMm: 130, cardMm: 330, widthMm: 430, heightMm: 178, depthMm: 700, supplyForm: 'rack', fans: quiet(3, 120, 3000), fanMounts: 5, airflow: 'across', rackUnits: 4, weightKg: 30, price: 640, notes: 'Its trays feed themselves: six plugs for twenty-four drives.' },
]
