package edit

import "encoding/json"

// words for each kind of command, for a clip's history.
var words = map[string]string{
	"batch": "Several changes", "replace": "Undo or redo", "setClip": "Clip settings", "setLight": "Light",
	"setTempo": "Tempo", "setTune": "Tune", "addProp": "Prop brought in", "setProduct": "Product",
	"addLayer": "Layer added", "removeLayer": "Layer deleted", "copyLayer": "Layer copied", "stackLayer": "Stacking order",
	"setLayer": "Layer settings", "setRest": "Rest", "clearRest": "Same as the other shapes", "setKey": "Key set",
	"removeKeys": "Keys deleted", "moveKeys": "Keys moved", "bindKey": "Key moved", "setEase": "Easing",
	"shiftLayer": "Layer shifted", "handle": "Moved on the Tabletop",
}

// Describe says in a few words what a command does.
func Describe(raw []byte) string {
	var t Typed
	if json.Unmarshal(raw, &t) != nil || words[t.Type] == "" {
		return "A change"
	}
	return words[t.Type]
}
