import type { Arrival } from '../../plan/fastStorage'
import type { Service } from '../../plan/system'
import { memoryUses } from '../memory/memoryNeed'

/** A port that two services on one address listen on. */
export interface PortClash {
  readonly port: number
  readonly services: readonly string[]
}
/** Something about services that is against good practice. */
export interface ServiceWarning {
  readonly code: 'awayWritesIrreplaceable' | 'unlikeInContainer' | 'twoOnEngine' | 'portText'
  readonly service: string
}

export interface ServiceSums {
  readonly memoryGB: number
  /** reference streams that are kept for them while they are busy */
  readonly load: number
  readonly clashes: readonly PortClash[]
  readonly warnings: readonly ServiceWarning[]
  /** services of equal reach and equal loss: each group may share a container */
  readonly groups: readonly {
    readonly reach: Service['reach']
    readonly loss: Service['loss']
    readonly services: readonly string[]
  }[]
}

const maxPort = 65_535

/** Port numbers of a text such as '8080, 443'; null where it is none. */
export function portsOf(text: string): number[] | null {
  const words = text.split(/[\s,;]+/).filter(Boolean)
  const ports = words.map(Number)
  return ports.every(port => Number.isInteger(port) && port >= 1 && port <= maxPort) ? ports : null
}

/** Memory that one service takes: itself, a container's or a guest's share on top. */
export function serviceMemoryGB({ on, memoryGB }: Pick<Service, 'on' | 'memoryGB'>): number {
  return (
    memoryGB + (on === 'container' ? memoryUses.container : on === 'guest' ? memoryUses.guest : 0)
  )
}

/**
 * Services together: memory, load, ports that clash (a guest has an address of its own), and what
 * is against good practice: one that is
 * reached from away and writes to what is irreplaceable; several that use the engine outside one
 * place.
 */
export function serviceSums(services: readonly Service[]): ServiceSums {
  const name = ({ name: own }: Service, index: number) => own || `Service ${index + 1}`
  const byPort = new Map<number, string[]>()
  const warnings: ServiceWarning[] = []
  services.forEach((service, index) => {
    const ports = portsOf(service.ports)
    if (ports === null) warnings.push({ code: 'portText', service: name(service, index) })
    if (service.on !== 'guest')
      for (const port of new Set(ports ?? []))
        byPort.set(port, [...(byPort.get(port) ?? []), name(service, index)])
    if (service.reach === 'away' && service.loss === 'irreplaceable')
      warnings.push({ code: 'awayWritesIrreplaceable', service: name(service, index) })
    if (
      service.usesEngine &&
      service.on === 'guest' &&
      services.some((other, at) => at !== index && other.usesEngine)
    )
      warnings.push({ code: 'twoOnEngine', service: name(service, index) })
  })
  const groups = new Map<
    string,
    { reach: Service['reach']; loss: Service['loss']; services: string[] }
  >()
  services.forEach((service, index) => {
    if (service.on !== 'container') return
    const key = `${service.reach} ${service.loss}`
    const group = groups.get(key) ?? { reach: service.reach, loss: service.loss, services: [] }
    group.services.push(name(service, index))
    groups.set(key, group)
  })
  return {
    memoryGB: services.reduce((sum, service) => sum + serviceMemoryGB(service), 0),
    load: services.reduce((sum, { load }) => sum + load, 0),
    clashes: [...byPort]
      .filter(([, names]) => names.length > 1)
      .map(([port, names]) => ({ port, services: names })),
    warnings,
    groups: [...groups.values()],
  }
}

/** How files are reached, by who connects. */
export interface Protocols {
  readonly media: boolean
  readonly shares: 'smb' | 'none'
  /** computers that are backed up by themselves, by name: a share each */
  readonly backups: readonly string[]
}

/**
 * Media software for those who choose by pictures or on a phone; SMB where anybody opens plain
 * folders or a computer is backed up, because any desktop of a mixed house speaks it.
 */
export function protocolsFor(
  viewers: readonly { readonly chooses: 'pictures' | 'phone' | 'folders' }[],
  arrivals: readonly Pick<Arrival, 'name' | 'source' | 'gbPerDay'>[],
): Protocols {
  const backups = arrivals.flatMap(({ source, gbPerDay, name }) =>
    source === 'backups' && gbPerDay > 0 ? [name || 'Backups of computers'] : [],
  )
  return {
    backups,
    media: viewers.length === 0 || viewers.some(({ chooses }) => chooses !== 'folders'),
    shares:
      backups.length > 0 || viewers.some(({ chooses }) => chooses === 'folders') ? 'smb' : 'none',
  }
}
