package engine

import "billow/core/view"

// quoted tells what is made of some products' terms.
func quoted(e *Engine, ids []string) ([]view.Quoted, error) {
	if e.shown == nil {
		return nil, errClosed
	}
	return view.Quotes(e.shown, ids), nil
}
