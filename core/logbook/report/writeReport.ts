import { escaped, headroomSvg } from './headroomSvg'
import type { OnePage } from './onePage'

const style = `
  body { font: 15px/1.45 system-ui, sans-serif; color: #1c2b30; background: #fbfaf6; margin: 0; }
  main { max-width: 720px; margin: 0 auto; padding: 24px 20px; }
  h1 { font-size: 24px; margin: 0; } h2 { font-size: 16px; margin: 18px 0 4px; }
  p { margin: 4px 0; } ul { margin: 0; padding-left: 20px; } .day { color: #536266; }
  .answer { font-size: 18px; font-weight: 650; margin: 10px 0 14px; }
  svg { max-width: 100%; height: auto; }
  @page { size: A4; margin: 14mm; } @media print { body { background: none; font-size: 12px; } }
`

/** The page as one file of HTML that needs nothing else: no script, no font, no address. */
export function reportHtml(page: OnePage): string {
  const parts = page.parts
    .map(
      ({ heading, lines }) =>
        `<section><h2>${escaped(heading)}</h2><ul>` +
        `${lines.map(line => `<li>${escaped(line)}</li>`).join('')}</ul></section>`,
    )
    .join('\n')
  return (
    '<!doctype html>\n<html lang="en"><head><meta charset="utf-8">' +
    '<meta name="viewport" content="width=device-width, initial-scale=1">' +
    `<title>${escaped(page.title)}</title><style>${style}</style></head><body><main>\n` +
    `<h1>${escaped(page.title)}</h1><p class="day">${escaped(page.day)}</p>` +
    `<p class="answer">${escaped(page.answer)}</p>\n${headroomSvg(page.verdicts)}\n${parts}\n` +
    '</main></body></html>\n'
  )
}

/** A line of Markdown that means what it says: signs of the format stand for themselves. */
const plain = (text: string): string => text.replace(/([\\`*_{}[\]<>#|])/g, '\\$1')

/** The same as Markdown, with the headroom as a table. */
export function reportMarkdown(page: OnePage): string {
  const parts = page.parts.map(
    ({ heading, lines }) =>
      `## ${plain(heading)}\n\n${lines.map(line => `- ${plain(line)}`).join('\n')}\n`,
  )
  return `# ${plain(page.title)}\n\n${page.day}\n\n**${plain(page.answer)}**\n\n${parts.join('\n')}`
}
