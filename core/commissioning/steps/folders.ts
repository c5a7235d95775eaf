import type { Step } from '../step'

export const folders: readonly Step[] = [
  {
    id: 'folders.names',
    do: 'Run the naming check on the file list; correct at the source before copying.',
    why: 'Renamed later, titles are scanned twice and watched marks are lost.',
    cautions: [],
    hands: 30,
    tools: 'file list',
    good: 'Nothing left but what you accept.',
    ifNot: { advice: '', trees: [], steps: [] },
    needs: ['pool.tree'],
    when: ['names'],
  },
  {
    id: 'folders.trial',
    do: 'Copy ten titles of each kind; look what is made of them.',
    why: 'Ten are corrected in minutes, a thousand in weeks.',
    cautions: [],
    hands: 20,
    wait: 10,
    tools: '',
    good: 'Nine of ten right.',
    ifNot: { advice: 'Naming rules.', trees: [], steps: [] },
    needs: ['folders.names', 'services.media'],
    when: ['names', 'media'],
  },
]
