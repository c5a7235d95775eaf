/**
 * Colours of Numeron, by what they mean. Paper and ink by day, slate and lamp by night; verdigris is the one
 * accent. The states of a headroom have a colour, a shape and a word each, never a colour alone.
 */
const day = {
  'background': '#F2EFE8',
  'surface': '#FBFAF6',
  'surface-bright': '#FFFFFF',
  'surface-light': '#ECE8DE',
  'surface-variant': '#2B3B40',
  'on-surface-variant': '#F2EFE8',
  'on-background': '#1C2B30',
  'on-surface': '#1C2B30',
  'primary': '#1F6A66',
  'secondary': '#4A5A5E',
  'ink-soft': '#536266',
  'hairline': '#CFC8BA',
  'water': '#7FA9B8',
  'water-line': '#2E6F86',
  'wall': '#2B3B40',
  'viewer-moss': '#6E8F3C', 'viewer-rust': '#B5623A', 'viewer-slate': '#5B7590', 'viewer-plum': '#8A5A83', 'viewer-ochre': '#C2922E', 'viewer-teal': '#3E8E8A', 'viewer-rose': '#C26A7C', 'viewer-umber': '#7F6A50',
  'state-ample': '#1F6A66',
  'state-enough': '#3A6B35',
  'state-tight': '#8A5A00',
  'state-short': '#A8381F',
  'state-impossible': '#7A1F3D',
  'state-unknown': '#5F6B6E',
  'error': '#A8381F',
  'warning': '#8A5A00',
  'info': '#2E6F86',
  'success': '#3A6B35',
}

const night: typeof day = {
  'background': '#10191C',
  'surface': '#172226',
  'surface-bright': '#223035',
  'surface-light': '#1E2B30',
  'surface-variant': '#D9E2E0',
  'on-surface-variant': '#10191C',
  'on-background': '#E4E8E3',
  'on-surface': '#E4E8E3',
  'primary': '#7CC8BD',
  'secondary': '#A9B8B8',
  'ink-soft': '#A3B2B2',
  'hairline': '#37474C',
  'water': '#2F5E70',
  'water-line': '#7DBBD0',
  'wall': '#D9E2E0',
  'viewer-moss': '#93B356', 'viewer-rust': '#D98559', 'viewer-slate': '#86A2BE', 'viewer-plum': '#B583AD', 'viewer-ochre': '#DDB04F', 'viewer-teal': '#62B3AE', 'viewer-rose': '#DD8E9D', 'viewer-umber': '#A8927A',
  'state-ample': '#7CC8BD',
  'state-enough': '#9CCB8B',
  'state-tight': '#E6B45A',
  'state-short': '#F08D6E',
  'state-impossible': '#EE8FAE',
  'state-unknown': '#A3B2B2',
  'error': '#F08D6E',
  'warning': '#E6B45A',
  'info': '#7DBBD0',
  'success': '#9CCB8B',
}

export const theme = {
  defaultTheme: 'day',
  themes: {
    day: { dark: false, colors: day },
    night: { dark: true, colors: night },
  },
}
