/** Figures that had another id before, by that id: links and the API answer to both. */
export const renamedFigures: Readonly<Record<string, string>> = {
  'years.total': 'ownership.horizonTotal',
  'years.perMonth': 'ownership.costPerMonth',
  'years.netPresentValue': 'ownership.netPresentValue',
  'years.purchase': 'ownership.horizonPurchase',
  'years.stagedDrives': 'ownership.horizonStagedDrives',
  'years.electricity': 'ownership.horizonElectricity',
  'years.replacements': 'ownership.horizonReplacements',
  'years.licences': 'ownership.horizonLicences',
  'years.copies': 'ownership.horizonCopies',
  'years.upsBattery': 'ownership.horizonUpsBattery',
  'years.ownTime': 'ownership.horizonOwnTime',
  'years.saved': 'ownership.horizonSaved',
  'years.resale': 'ownership.horizonResale',
}

/** The id that a figure has now. */
export function figureIdNow(id: string): string {
  return renamedFigures[id] ?? id
}

/** Figures by their ids, those that were renamed by their old ones too. */
export function withOldIds<Figure>(
  figures: Readonly<Record<string, Figure>>,
): Record<string, Figure> {
  const old = Object.entries(renamedFigures).flatMap(([id, now]) =>
    figures[now] ? [[id, figures[now]] as const] : [],
  )
  return { ...figures, ...Object.fromEntries(old) }
}
