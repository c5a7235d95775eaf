import type { Finding } from '../finding'
import { homePlace } from '../plan/constants'
import type { Household } from '../plan/household'
import { slotMinutes, weekTimeText } from '../units/week'
import type { WatchingWeek } from './weekHabits'

/** What does not hold together in viewers, devices and habits; each with where it is. */
export function householdFindings(household: Household, week: WatchingWeek): Finding[] {
  return [
    ...loose(household),
    ...empty(household),
    ...overlapping(household, week),
    ...folders(household),
  ]
}

function nameOf(household: Household, index: number): string {
  return household.habits[index]!.name || `Habit ${index + 1}`
}

/** Habits and viewers that refer to what is not there. */
function loose(household: Household): Finding[] {
  const findings: Finding[] = []
  household.habits.forEach((habit, index) => {
    const isGuest = habit.viewer === '' && habit.onBusyDays
    if (!isGuest && !household.viewers.some(viewer => viewer.id === habit.viewer)) {
      findings.push({
        severity: 'warning',
        code: 'HABIT_WITHOUT_VIEWER',
        sentence: `Habit ${nameOf(household, index)} has no viewer, so it is not counted.`,
        from: [`household.habits.${index}.viewer`],
        fixes: [{ sentence: 'Choose a viewer, or make it a habit of guest days.' }],
      })
    }
    if (!household.devices.some(device => device.id === habit.device)) {
      findings.push({
        severity: 'warning',
        code: 'HABIT_WITHOUT_DEVICE',
        sentence:
          `${nameOf(household, index)}: no device is chosen, so a television of about 2020 ` +
          'is assumed.',
        from: [`household.habits.${index}.device`],
        fixes: [{ sentence: 'Choose the device.' }],
      })
    }
  })
  household.viewers.forEach((viewer, index) => {
    if (viewer.place !== homePlace && !household.places.some(place => place.id === viewer.place)) {
      findings.push({
        severity: 'warning',
        code: 'VIEWER_WITHOUT_PLACE',
        sentence:
          `${viewer.name || `Viewer ${index + 1}`}: the place is not listed, so it counts as ` +
          'away with an unknown line.',
        from: [`household.viewers.${index}.place`],
        fixes: [{ sentence: 'Choose a place.' }],
      })
    }
  })
  return findings
}

/** Habits that never happen. */
function empty(household: Household): Finding[] {
  return household.habits.flatMap((habit, index) =>
    habit.days.length > 0 && habit.chance > 0
      ? []
      : [
          {
            severity: 'caution' as const,
            code: 'HABIT_NEVER',
            sentence:
              `${nameOf(household, index)}: ` +
              `${habit.days.length ? 'its chance is nothing' : 'no day is chosen'}, so it ` +
              'never happens.',
            from: [`household.habits.${index}.${habit.days.length ? 'chance' : 'days'}`],
            fixes: [{ sentence: 'Choose a day and a chance, or remove it.' }],
          },
        ],
  )
}

/** Habits of one viewer that may go on at the same moment; a viewer watches one thing at a time. */
function overlapping(household: Household, week: WatchingWeek): Finding[] {
  return week.watchers.flatMap((watcher, at) => {
    const own = week.habits.filter(({ watcher: of }) => of === at)
    if (own.length < 2) return []
    let worst = { slot: -1, sum: 0 }
    for (const slot of (week.busy ?? week.ordinary).slots) {
      let sum = 0
      let many = 0
      for (const { slots } of own)
        if (slots[slot]! > 0) {
          sum += slots[slot]!
          many++
        }
      if (many > 1 && sum > worst.sum) worst = { slot, sum }
    }
    if (worst.slot < 0) return []
    const both = own.filter(({ slots }) => slots[worst.slot]! > 0).map(({ index }) => index)
    return [
      {
        severity: worst.sum > 1 + 1e-9 ? ('warning' as const) : ('caution' as const),
        code: 'HABITS_OVERLAP',
        sentence:
          `${watcher.name}: ` +
          `${both.map(index => nameOf(household, index)).join(' and ')} overlap, ` +
          'most on ' +
          `${weekTimeText(worst.slot * slotMinutes)}${worst.sum > 1 + 1e-9 ? '; their chances add up to more than 100 %, so they count as 100 %' : '; counted as one or the other'}.`,
        from: both.map(index => `household.habits.${index}.earliest`),
        fixes: [{ sentence: 'Shift one of them, lower a chance, or list a second viewer.' }],
      },
    ]
  })
}

function folders(household: Household): Finding[] {
  const fond = household.viewers.filter(viewer => viewer.chooses === 'folders')
  if (fond.length === 0 || fond.length < household.viewers.length) return []
  return [
    {
      severity: 'caution',
      code: 'NO_MEDIA_SOFTWARE',
      sentence:
        'Everyone chooses from plain folders: shared folders will do, and nothing converts ' +
        'then. Devices must play the files as they are.',
      from: household.viewers.map((_, index) => `household.viewers.${index}.chooses`),
      fixes: [
        { sentence: 'Keep files that every device plays, or let one viewer choose with pictures.' },
      ],
    },
  ]
}
