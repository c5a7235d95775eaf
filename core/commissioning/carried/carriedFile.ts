import { cautions } from '../cautions'
import type { StepProgress } from '../progress'
import { chapterOf, chapters } from '../step'
import { markOfCarried, type Carried } from './carriedTicks'
import { carriedScript } from './carriedScript'

const escaped = (text: string) => text.replace(/[&<>"']/g, sign => `&#${sign.charCodeAt(0)};`)
/** JSON that cannot end the script that holds it. */
const inScript = (value: unknown) => JSON.stringify(value).replaceAll('<', '\\u003c')

/** What a carried file is made of. */
export interface CarriedQuestion {
  readonly planId: string
  readonly planName: string
  readonly version: number
  /** today, as 2026-12-24 */
  readonly made: string
  readonly steps: readonly StepProgress[]
}

const style = `
:root{color-scheme:light dark;--ink:#22302f;--soft:#566361;--paper:#f7f5ef;--line:#cfccc2;--own:#1f6b67;--warn:#a3341c}
@media(prefers-color-scheme:dark){:root{--ink:#e6e8e4;--soft:#a9b3b0;--paper:#15201f;--line:#3a4846;--own:#6fc0b9;--warn:#ff9b85}}
*{box-sizing:border-box}body{margin:0 auto;max-width:720px;font:17px/1.45 system-ui,sans-serif;color:var(--ink);background:var(--paper);padding:12px 16px 210px}
h1{font-size:1.05rem;margin:0 0 6px}select,textarea,input{font:inherit;width:100%;padding:10px;border:1px solid var(--line);border-radius:4px;background:transparent;color:inherit;margin:0 0 10px}
article{display:none}article.now{display:block}.do{font-size:1.3rem;font-weight:600;margin:.5em 0}.soft{color:var(--soft)}
ul{border-left:4px solid var(--warn);padding:8px 12px 8px 30px}nav{position:fixed;left:0;right:0;bottom:0;background:var(--paper);border-top:1px solid var(--line);padding:10px 16px 16px;display:grid;gap:10px}
nav div{display:flex;gap:10px;max-width:688px;margin:0 auto;width:100%}button{font:inherit;min-height:56px;flex:1;border:1px solid var(--own);color:var(--own);background:transparent;border-radius:6px}
button.main{background:var(--own);color:var(--paper);flex:2}button:disabled{opacity:.4}@media print{nav,select{display:none}article{display:block;break-inside:avoid;border-bottom:1px solid #999}}
`.trim()

function articleOf({ step, hands, wait }: StepProgress): string {
  const told = step.cautions.map(caution => `<li>${escaped(cautions[caution])}</li>`).join('')
  const minutes = Math.round(hands)
  const waiting = wait > 0 ? `, then ${Math.round(wait / 6) / 10} h of waiting` : ''
  return (
    `<article id="${escaped(step.id)}">` +
    `<p class="soft">${escaped(chapters[chapterOf(step.id)])}</p>` +
    `<p class="do">${escaped(step.do)}</p>${told ? `<ul>${told}</ul>` : ''}` +
    `<p><b>Good:</b> ${escaped(step.good)}</p><p class="soft">${escaped(step.why)}</p>` +
    `<p class="soft">${minutes} min${waiting}${step.tools ? `. ${escaped(step.tools)}` : ''}</p>` +
    (step.ifNot.advice ? `<p class="soft">If not: ${escaped(step.ifNot.advice)}</p>` : '') +
    '</article>'
  )
}

/**
 * The run-book as one file that needs no network: ticks, notes and values stay in it, and in the
 * copy that it saves of itself.
 */
export function carriedFile({ planId, planName, version, made, steps }: CarriedQuestion): string {
  const content: Omit<Carried, 'mark'> = {
    format: 'numeron-run-book',
    plan: planId,
    planName,
    version,
    made,
    steps: steps.map(({ step }) => step.id),
    ticks: [],
  }
  const kept = { ...content, mark: markOfCarried(content) }
  const states = Object.fromEntries(
    steps.flatMap(({ step, entry }) =>
      entry === null ? [] : [[step.id, { state: entry.state, note: entry.note }] as const],
    ),
  )
  const policy =
    "default-src 'none'; style-src 'unsafe-inline'; script-src 'unsafe-inline'; img-src data:"
  return [
    '<!doctype html>',
    '<html lang="en"><head><meta charset="utf-8">',
    `<meta http-equiv="Content-Security-Policy" content="${policy}">`,
    '<meta name="viewport" content="width=device-width, initial-scale=1">',
    `<title>Run-book of ${escaped(planName)}</title><style>${style}</style></head><body>`,
    `<h1>${escaped(planName)}</h1>`,
    '<select id="where" aria-label="Step"></select>',
    `<main>${steps.map(articleOf).join('')}</main>`,
    '<input id="measured" maxlength="80" placeholder="Measured value" aria-label="Measured value">',
    '<textarea id="note" rows="2" maxlength="1000" aria-label="Note" placeholder="Note">',
    '</textarea>',
    '<p class="soft" id="kept"></p>',
    '<nav><div><button id="failed">It is not so</button><button id="skipped">Skip it</button>',
    '<button id="save">Save a copy</button></div>',
    '<div><button id="back">Back</button><button id="done" class="main">Done</button>',
    '<button id="next">Next</button></div></nav>',
    `<script type="application/json" id="numeron-plan">${inScript(states)}</script>`,
    `<script type="application/json" id="numeron-ticks">${inScript(kept)}</script>`,
    `<script>${carriedScript}</script>`,
    '</body></html>',
    '',
  ].join('\n')
}
