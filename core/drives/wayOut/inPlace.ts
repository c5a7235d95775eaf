import {
  epsilon,
  hoursFor,
  usableOf,
  type OldDrive,
  type WayOut,
  type WayOutQuestion,
  type WayStep,
} from './wayOutQuestion'

/**
 * The way between two layouts whose files lie whole on plain disks: redundancy is given up, the
 * drives that the new one sets aside are emptied onto the others, and take their role.
 * @returns null where the one or the other keeps its files otherwise, or has no room for them
 */
export function wayInPlace(question: WayOutQuestion): WayOut | null {
  const { from, to, drives, fillShare } = question
  const [had, wants] = [from.onPlainDisks, to.onPlainDisks]
  // A mirror is made of empty drives, unless the other one holds a copy already.
  if (!had || !wants || (wants.as === 'half' && had.as !== 'copy')) return null
  const contentTB = drives.reduce((sum, drive) => sum + drive.contentTB, 0)
  const usable = usableOf(
    to,
    drives.map(({ sizeTB }) => sizeTB),
  )
  if (usable === null || usable * fillShare < contentTB - epsilon) return null

  const aside = setAside(drives, {
    count: wants.aside === 'all but one' ? drives.length - 1 : wants.aside,
    bySize: wants.as === 'parity' || wants.as === 'nightlyParity',
  })
  const others = drives.filter(drive => !aside.includes(drive))
  // Redundancy that goes on as it is: parity that stays parity, a mirror whose half is the copy.
  const goesOn = had.as === wants.as || (had.as === 'half' && wants.as === 'copy')
  const kept = goesOn ? aside.filter(({ isSpare }) => isSpare) : []
  const staysSafe = kept.length > 0 && kept.every(({ contentTB: held }) => held <= epsilon)
  const steps: WayStep[] = []
  let safe = had.as !== 'nothing'
  const note = (step: Omit<WayStep, 'unprotectedTB'>, after: boolean) => {
    steps.push({ ...step, unprotectedTB: safe && after ? 0 : contentTB })
    safe = after
  }

  const released = drives.filter(drive => drive.isSpare && !kept.includes(drive))
  if (released.length > 0 || had.as === 'secondCopies')
    note(
      {
        kind: 'release',
        places: released.map(({ place }) => place),
        sizeTB: released.reduce((sum, { sizeTB }) => sum + sizeTB, 0),
        hours: 0,
      },
      staysSafe,
    )
  let left = others.reduce((sum, drive) => sum + drive.sizeTB * fillShare - drive.contentTB, 0)
  for (const { place, contentTB: held } of aside) {
    if (held <= epsilon) continue
    // Drives that are filled beyond what moving allows have no space for more.
    if (held > left + epsilon) return null
    left -= held
    note(
      { kind: 'consolidate', places: [place], sizeTB: held, hours: hoursFor(held, question) },
      staysSafe,
    )
  }
  const taken = aside.filter(drive => !kept.includes(drive))
  if (taken.length > 0 || wants.as === 'secondCopies')
    note(
      {
        kind: 'setAside',
        places: taken.map(({ place }) => place),
        sizeTB: usable,
        hours: hoursFor(
          wants.as === 'copy' || wants.as === 'secondCopies'
            ? contentTB
            : Math.max(...drives.map(({ sizeTB }) => sizeTB)),
          question,
        ),
      },
      true,
    )
  return {
    borrowed: 0,
    borrowedTB: 0,
    steps,
    hours: steps.reduce((sum, step) => sum + step.hours, 0),
    inPlace: true,
  }
}

/** Drives that hold redundancy already, then the emptiest; parity wants the largest before that. */
function setAside(
  drives: readonly OldDrive[],
  { count, bySize }: { readonly count: number; readonly bySize: boolean },
): OldDrive[] {
  return drives
    .toSorted(
      (a, b) =>
        (bySize ? b.sizeTB - a.sizeTB : 0) ||
        Number(b.isSpare) - Number(a.isSpare) ||
        a.contentTB - b.contentTB,
    )
    .slice(0, count)
}
