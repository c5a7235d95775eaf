import { z } from 'zod'
import { planSchema } from './planSchema'

/** What the schema says of one field. */
export interface PlanField {
  readonly label: string
  readonly description: string
  /**
   * '' for a bare number; 'share' is stored 0..1 and shown in per cent; 'money' is in the plan's
   * currency; 'time of day' is stored in minutes
   */
  readonly unit: string
  readonly kind: 'number' | 'text' | 'choice' | 'choices' | 'toggle' | 'list' | 'section'
  readonly min?: number
  readonly max?: number
  readonly whole: boolean
  readonly nullable: boolean
  readonly fallback: unknown
  /** for a choice, or several: each value with what people read */
  readonly options: readonly { readonly value: string | number; readonly label: string }[]
}

interface SchemaNode {
  type?: string
  title?: string
  description?: string
  unit?: string
  options?: Record<string, string>
  default?: unknown
  enum?: (string | number)[]
  minimum?: number
  maximum?: number
  maxLength?: number
  properties?: Record<string, SchemaNode>
  items?: SchemaNode
  anyOf?: SchemaNode[]
}

/** The plan as JSON Schema (2020-12), published by the server and read by forms. */
export const planJsonSchema: Readonly<Record<string, unknown>> = z.toJSONSchema(planSchema, {
  io: 'input',
  unrepresentable: 'any',
})

function kindOf(node: SchemaNode, options: SchemaNode['options']): PlanField['kind'] {
  if (node.enum || (node.type === 'string' && options)) return 'choice'
  switch (node.type) {
    case 'number':
    case 'integer':
      return 'number'
    case 'boolean':
      return 'toggle'
    case 'array':
      return node.items?.enum || node.items?.type === 'string' ? 'choices' : 'list'
    case 'object':
      return 'section'
    default:
      return 'text'
  }
}

function nodeAt(path: string): SchemaNode | undefined {
  return path
    .split('.')
    .reduce<SchemaNode | undefined>(
      (node, key) => (/^\d+$/.test(key) ? node?.items : node?.properties?.[key]),
      planJsonSchema as SchemaNode,
    )
}

function describe(node: SchemaNode): PlanField {
  const inner = node.anyOf?.find(candidate => candidate.type !== 'null') ?? node
  const kind = kindOf(inner, node.options)
  return {
    label: node.title ?? '',
    description: node.description ?? '',
    unit: node.unit ?? '',
    kind,
    ...(inner.minimum === undefined ? {} : { min: inner.minimum }),
    ...((kind === 'text' ? inner.maxLength : inner.maximum) === undefined
      ? {}
      : { max: (kind === 'text' ? inner.maxLength : inner.maximum) as number }),
    whole: inner.type === 'integer',
    nullable: node.anyOf?.some(candidate => candidate.type === 'null') ?? false,
    fallback: node.default,
    options: (inner.enum ?? inner.items?.enum ?? Object.keys(node.options ?? {})).map(value => ({
      value,
      label: node.options?.[value] ?? String(value),
    })),
  }
}

const known = new Map<string, PlanField | null>()

/**
 * What the schema says of the field at a path such as 'drives.lots.0.sizeTB'; null where the plan
 * has no such field.
 */
export function planField(path: string): PlanField | null {
  const shape = path.replace(/\.\d+(?=\.|$)/g, '.0')
  let field = known.get(shape)
  if (field === undefined) {
    const node = nodeAt(shape)
    field = node ? describe(node) : null
    known.set(shape, field)
  }
  return field
}
