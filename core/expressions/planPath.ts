import type { Plan } from '../plan/planSchema'

type Plain = string | number | boolean | null | undefined

/** Paths below a value; the entries of a list by their number, or the list as a whole. */
type PathsIn<Value> = Value extends Plain
  ? never
  : Value extends readonly (infer Entry)[]
    ? Entry extends Plain
      ? never
      : `${number}` | `${number}.${PathsIn<Entry>}`
    : {
        [Key in keyof Value & string]: Key | `${Key}.${PathsIn<Value[Key]>}`
      }[keyof Value & string]

/** A field of the plan, a section of it, or a list: what an expression may follow from. */
export type PlanPath = {
  [Section in Exclude<keyof Plan, 'schemaVersion' | 'keptAside'> & string]:
    Section | `${Section}.${PathsIn<Plan[Section]>}`
}[Exclude<keyof Plan, 'schemaVersion' | 'keptAside'> & string]
