const names: Record<string, string> = {
  ' ': 'Space',
  ArrowLeft: '←',
  ArrowRight: '→',
  ArrowUp: '↑',
  ArrowDown: '↓',
  PageUp: 'PgUp',
  PageDown: 'PgDn',
  Escape: 'Esc',
  Delete: 'Del'
}

// keyName is a key as people read it: "Ctrl+D", "Shift+PgUp", "L".
export const keyName = (key: string) => key.replace(/[^+]+$/, (k) => names[k] ?? (k.length === 1 ? k.toUpperCase() : k))
