import type { Supply } from './hardwarePart'

export const plainSupply = {
  kind: 'supply',
  form: 'ATX',
  fourPinPlugs: 2,
  cardPlugs: 1,
  leadMm: 450,
  noiseDb: 24,
  ownPlugs: false,
  idleW: 0,
  loadW: 0,
} as const satisfies Partial<Supply>

/** Power supplies that are sold by themselves, by rating. */
// prettier-ignore
export const supplies: readonly Supply[] = [
  { ...plainSupply, id: 'mole-90b', label: 'Mole 90 W brick', form: 'brick', ratingW: 90, amps12: 7.5, efficiency: 'brick', driveLeads: [2], fourPinPlugs: 0, cardPlugs: 0, noiseDb: 0, price: 28 },
  { ...plainSupply, id: 'mole-150b', label: 'Mole 150 W brick', form: 'brick', ratingW: 150, amps12: 12.5, efficiency: 'brick', driveLeads: [2, 2], fourPinPlugs: 0, cardPlugs: 0, noiseDb: 0, price: 42 },
  { ...plainSupply, id: 'mole-300s', label: 'Mole 300 SFX', form: 'SFX', ratingW: 300, amps12: 24, efficiency: 'bronze', driveLeads: [3, 2], fourPinPlugs: 1, cardPlugs: 0, leadMm: 350, noiseDb: 26, price: 48 },
  { ...plainSupply, id: 'mole-450s', label: 'Mole 450 SFX', form: 'SFX', ratingW: 450, amps12: 37.5, efficiency: 'gold', driveLeads: [4, 4], fourPinPlugs: 2, leadMm: 350, noiseDb: 22, price: 82 },
  { ...plainSupply, id: 'mole-300', label: 'Mole 300', ratingW: 300, amps12: 20, efficiency: 'white', driveLeads: [2, 2], cardPlugs: 0, leadMm: 500, noiseDb: 27, price: 30 },
  { ...plainSupply, id: 'mole-400', label: 'Mole 400', ratingW: 400, amps12: 30, efficiency: 'bronze', driveLeads: [3, 3], price: 42 },
  { ...plainSupply, id: 'mole-450', label: 'Mole 450', ratingW: 450, amps12: 36, efficiency: 'gold', driveLeads: [4, 3], noiseDb: 21, price: 68 },
  { ...plainSupply, id: 'mole-450f', label: 'Mole 450 F, fanless', ratingW: 450, amps12: 37, efficiency: 'platinum', driveLeads: [4, 3], noiseDb: 0, price: 135 },
  { ...plainSupply, id: 'mole-550', label: 'Mole 550', ratingW: 550, amps12: 45, efficiency: 'gold', driveLeads: [4, 4], cardPlugs: 2, noiseDb: 21, price: 79 },
  { ...plainSupply, id: 'mole-550p', label: 'Mole 550 P', ratingW: 550, amps12: 45, efficiency: 'platinum', driveLeads: [4, 4], cardPlugs: 2, noiseDb: 20, price: 112 },
  { ...plainSupply, id: 'mole-650', label: 'Mole 650', ratingW: 650, amps12: 54, efficiency: 'gold', driveLeads: [4, 4, 4], cardPlugs: 2, noiseDb: 21, price: 94 },
  { ...plainSupply, id: 'mole-650t', label: 'Mole 650 T', ratingW: 650, amps12: 54, efficiency: 'titanium', driveLeads: [4, 4, 4], cardPlugs: 2, noiseDb: 18, price: 168 },
  { ...plainSupply, id: 'mole-750', label: 'Mole 750', ratingW: 750, amps12: 62, efficiency: 'gold', driveLeads: [4, 4, 4], fourPinPlugs: 4, cardPlugs: 4, noiseDb: 22, price: 112 },
  { ...plainSupply, id: 'mole-850', label: 'Mole 850', ratingW: 850, amps12: 70, efficiency: 'gold', driveLeads: [4, 4, 4, 4], fourPinPlugs: 4, cardPlugs: 4, noiseDb: 22, price: 132 },
  { ...plainSupply, id: 'mole-1000', label: 'Mole 1000', ratingW: 1000, amps12: 83, efficiency: 'platinum', driveLeads: [4, 4, 4, 4, 4], fourPinPlugs: 6, cardPlugs: 6, noiseDb: 22, price: 198 },
  { ...plainSupply, id: 'mole-800r', label: 'Mole 800 rack', form: 'rack', ratingW: 800, amps12: 66, efficiency: 'platinum', driveLeads: [4, 4, 4, 4, 4, 4], fourPinPlugs: 6, cardPlugs: 2, leadMm: 500, noiseDb: 45, price: 160 },
  { ...plainSupply, id: 'mole-500r', label: 'Mole 500 rack', form: 'rack', ratingW: 500, amps12: 41, efficiency: 'gold', driveLeads: [4, 4, 4], fourPinPlugs: 4, cardPlugs: 1, leadMm: 500, noiseDb: 42, price: 115 },
]
