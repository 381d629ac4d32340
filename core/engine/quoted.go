package engine

import "billow/core/view"

// quoted tells what is made of some products' terms.
func quoted(e *Engine, ids []string) ([]view.Quoted, error) {
	if e.shown == nil {
		return nil, errClosed
	}
	return view.Quotes(e.shown, ids), nil
}

// filledFields tells what the fields of a product say.
func filledFields(e *Engine, id string) (map[string]string, error) {
	if e.shown == nil {
		return nil, errClosed
	}
	return view.Filled(e.shown, id), nil
}
