import { spawn, spawnSync } from 'node:child_process'
import { rmSync } from 'node:fs'
import { join } from 'node:path'
import { benchClipS } from '~~/core/streams/bench'
import { passingFolder } from '../lifetime/leftovers'

/** Something that runs reference conversions. */
export interface Encoder {
  /** what the result is said to be measured by */
  readonly name: string
  readonly isSimulated: boolean
  /** makes the clip; called once before the rounds */
  prepare: (signal: AbortSignal) => Promise<void>
  /** runs so many copies at once; answers each one's speed in times real time */
  run: (copies: number, signal: AbortSignal) => Promise<number[]>
  /** removes what it left */
  dispose: () => void
}

/** Every argument is fixed here: nothing that comes from outside reaches a command line. */
const makeClip = [
  '-nostdin',
  '-v',
  'error',
  '-y',
  '-f',
  'lavfi',
  '-i',
  'testsrc2=s=1920x1080:r=24,noise=alls=14:allf=t',
  '-f',
  'lavfi',
  '-i',
  'anoisesrc=r=48000:a=0.2',
  '-t',
  String(benchClipS),
  '-c:v',
  'libx264',
  '-preset',
  'veryfast',
  '-b:v',
  '8M',
  '-maxrate',
  '12M',
  '-bufsize',
  '16M',
  '-c:a',
  'ac3',
  '-ac',
  '6',
  '-pix_fmt',
  'yuv420p',
]
const convert = [
  '-c:v',
  'libx264',
  '-preset',
  'veryfast',
  '-b:v',
  '8M',
  '-maxrate',
  '12M',
  '-bufsize',
  '16M',
  '-c:a',
  'aac',
  '-ac',
  '2',
  '-f',
  'null',
  '-',
]
/** Longest that one run of the program may take, in ms. */
const programLimitMs = 90_000
const maxErrorText = 400

/**
 * Runs the program once. Ends it when told to, when it takes too long, and when this server ends.
 */
function runProgram(program: string, given: readonly string[], signal: AbortSignal): Promise<void> {
  return new Promise((done, fail) => {
    if (signal.aborted) return fail(new Error('cancelled'))
    const child = spawn(program, given, { stdio: ['ignore', 'ignore', 'pipe'] })
    let said = ''
    const end = () => child.kill('SIGKILL')
    const timer = setTimeout(end, programLimitMs)
    signal.addEventListener('abort', end, { once: true })
    // A server that ends takes the program with it.
    process.once('exit', end)
    child.stderr.on('data', (data: Buffer) => {
      said = (said + data.toString('utf8')).slice(-maxErrorText)
    })
    function settle(): void {
      clearTimeout(timer)
      signal.removeEventListener('abort', end)
      process.removeListener('exit', end)
    }
    child.on('error', error => {
      settle()
      fail(error)
    })
    child.on('close', (code, killedBy) => {
      settle()
      if (code === 0) done()
      else if (signal.aborted) fail(new Error('cancelled'))
      else
        fail(
          new Error(
            killedBy
              ? `The encoder was ended (${killedBy}) before it was done.`
              : 'The encoder stopped with an error: ' +
                  `${said.replace(/[^\x21-\x7E]+/g, ' ').trim() || `code ${code}`}`,
          ),
        )
    })
  })
}

/** The real encoder program of this machine; null when it is not installed. */
export function realEncoder(program = 'ffmpeg'): Encoder | null {
  const asked = spawnSync(program, ['-version'], { encoding: 'utf8', timeout: 5000 })
  const version = /^ffmpeg version (\S+)/.exec(asked.stdout ?? '')?.[1]
  if (asked.error || !version) return null
  const folder = passingFolder('bench')
  const clip = join(folder, 'clip.mkv')
  return {
    name: `ffmpeg ${version}`,
    isSimulated: false,
    prepare: signal => runProgram(program, [...makeClip, clip], signal),
    run: (copies, signal) =>
      Promise.all(
        Array.from({ length: copies }, async () => {
          const started = performance.now()
          await runProgram(program, ['-nostdin', '-v', 'error', '-i', clip, ...convert], signal)
          return (benchClipS * 1000) / Math.max(1, performance.now() - started)
        }),
      ),
    dispose: () => rmSync(folder, { recursive: true, force: true }),
  }
}

/**
 * A machine that is made up, where the encoder is not installed: 3.4 reference streams, of which
 * one copy alone can use 2.6.
 */
export function simulatedEncoder(roundMs = 350): Encoder {
  const wait = (signal: AbortSignal) =>
    new Promise<void>((done, fail) => {
      const timer = setTimeout(done, roundMs)
      signal.addEventListener(
        'abort',
        () => {
          clearTimeout(timer)
          fail(new Error('cancelled'))
        },
        { once: true },
      )
    })
  return {
    name: 'a simulated machine',
    isSimulated: true,
    prepare: wait,
    async run(copies, signal) {
      await wait(signal)
      return Array.from({ length: copies }, () => Math.min(2.6, 3.4 / copies))
    },
    dispose: () => {
      /* it leaves nothing */
    },
  }
}

/** The encoder of this machine, or the made-up one; the environment can ask for the latter. */
export function encoderOfThisMachine(): Encoder {
  return (process.env.NUMERON_BENCH === 'simulated' ? null : realEncoder()) ?? simulatedEncoder()
}
