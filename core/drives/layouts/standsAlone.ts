import { layouts } from './layouts'

/** Whether drives under a layout do not need each other while they run. */
export function standsAlone(id: string): boolean {
  return layouts.find(layout => layout.id === id)?.standsAlone === true
}
