/** Width of a bin: bitrates within two per cent of each other are told together. */
const binRatio = 1.02

/** Seconds and megabits of files by their bitrate, in bins: as many as bitrates differ, no more. */
export class BitrateBins {
  private readonly bins = new Map<number, { seconds: number; bits: number }>()

  add(bitrateMbps: number, seconds: number): void {
    this.put(Math.round(Math.log(bitrateMbps) / Math.log(binRatio)), {
      seconds,
      bits: bitrateMbps * seconds,
    })
  }

  merge(other: BitrateBins): void {
    for (const [at, bin] of other.bins) this.put(at, bin)
  }

  /**
   * Four means, each of a quarter of the minutes, the lowest first; their mean is that of all.
   * Null where no more than one bitrate is there.
   */
  quarters(): [number, number, number, number] | null {
    const sorted = [...this.bins.entries()].sort(([a], [b]) => a - b).map(([, bin]) => bin)
    if (sorted.length < 2) return null
    const quarter = sorted.reduce((sum, { seconds }) => sum + seconds, 0) / 4
    const means: number[] = []
    let [bits, room] = [0, quarter]
    for (const bin of sorted) {
      const mean = bin.bits / bin.seconds
      let left = bin.seconds
      while (left > room && means.length < 3) {
        means.push((bits + room * mean) / quarter)
        left -= room
        ;[bits, room] = [0, quarter]
      }
      bits += left * mean
      room -= left
    }
    means.push(bits / quarter)
    return means as [number, number, number, number]
  }

  private put(at: number, { seconds, bits }: { seconds: number; bits: number }): void {
    const known = this.bins.get(at) ?? { seconds: 0, bits: 0 }
    known.seconds += seconds
    known.bits += bits
    this.bins.set(at, known)
  }
}
