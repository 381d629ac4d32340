package frame

import "billow/core/cube"

// AddTable gives the library a table of colours by the hash of its file.
func (l *Library) AddTable(hash string, t *cube.Table) {
	l.mu.Lock()
	defer l.mu.Unlock()
	l.tables[hash] = t
}

// Table is a table of colours by the hash of its file, read where it has to be; nil where it cannot be
// had.
func (l *Library) Table(hash string) *cube.Table {
	l.mu.Lock()
	t, known := l.tables[hash]
	l.mu.Unlock()
	if known || l.File == nil {
		return t
	}
	if b, err := l.File(hash); err == nil {
		t, _ = cube.Read(b) // it was read once when it was brought in
	}
	l.AddTable(hash, t)
	return t
}

// forgetLostTables lets those be read again that could not be read. It tells whether there were any.
func (l *Library) forgetLostTables() (any bool) {
	l.mu.Lock()
	defer l.mu.Unlock()
	for hash, t := range l.tables {
		if t == nil {
			delete(l.tables, hash)
			any = true
		}
	}
	return any
}

// tableOf is a layer's table of colours and the hash of its file; nil where it has none.
func (s *Stage) tableOf(a *actor) (*cube.Table, string) {
	p := s.clip.Prop(a.layer.Table)
	if p == nil || p.Table == nil || s.lib == nil {
		return nil, ""
	}
	return s.lib.Table(p.Hash), p.Hash
}
