package edit

import "encoding/json"

// words for each kind of command, for a clip's history.
var words = map[string]string{
	"batch": "Several changes", "undo": "Undone", "setClip": "Clip settings", "setLight": "Light",
	"setTempo": "Tempo", "setTune": "Tune", "setSound": "Sound", "cutTune": "Cut of the tune", "actOnHits": "On hits", "setCredit": "Credit", "soundOfMove": "Sound of a move", "fitScenes": "Scenes on bars", "spreadOut": "Layers on beats", "landOn": "Landed elsewhere", "hearFootage": "Sound of footage", "addProp": "Prop brought in", "setProduct": "Product", "setRange": "Range", "setVariants": "Variants", "adjust": "Variant adjusted", "likeOthers": "Variant like the others", "bindProduct": "Words and pictures of a product", "sceneForEach": "A scene for each product", "bringPictures": "Pictures of products",
	"addLayer": "Layer added", "addLayers": "Layers added", "becomePath": "Made a path", "changeInto": "Changes into another figure", "removeLayer": "Layer deleted", "copyLayer": "Layer copied", "stackLayer": "Stacking order", "pasteMotion": "Motion given", "wearLook": "Look put on", "dropEffect": "Effect taken off",
	"setLayer": "Layer settings", "setRest": "Rest", "clearRest": "Same as the other shapes", "setKey": "Key set",
	"removeKeys": "Keys deleted", "moveKeys": "Keys moved", "bindKey": "Key moved", "setEase": "Easing",
	"bendPath": "Path bent", "movePivot": "Pivot moved", "setValue": "Value set",
	"stretchKeys": "Keys stretched", "reverseKeys": "Keys reversed", "snapKeys": "Keys snapped", "pasteKeys": "Keys pasted",
	"holdUntil": "Held until here", "holdCreep": "Creep held", "setMove": "Move", "removeMove": "Move taken away",
	"groupLayers": "Layers grouped", "ungroup": "Group taken apart", "intoGroup": "Group changed",
	"addMask": "Mask added", "removeMask": "Mask deleted", "setRun": "Gradient", "addColour": "Colour added", "removeColour": "Colour deleted", "setPalette": "Colours of the clip", "addLine": "Outline added", "removeLine": "Outline deleted", "addPoint": "Point added", "riseBehind": "Rises from behind", "runAlong": "Words along a figure", "setAxis": "Axis of the font", "shadeWords": "Shade behind words", "fillWords": "Words filled with a picture", "removePoint": "Point deleted",
	"setLineup": "Line-up changed", "makeLineup": "Line-up made", "stagger": "Layers staggered",
	"swapPicture": "Product swapped", "recut": "Cut anew", "partPosition": "Right and down apart", "tradeProduct": "Made for another product", "closeLoop": "Loop closed", "setMarks": "Marks set",
	"addScene": "Scene added", "splitScene": "Scene split", "trimScene": "Scene's length", "moveScene": "Scene moved",
	"shiftLayer": "Layer shifted", "handle": "Moved on the Tabletop",
}

// Describe says in a few words what a command does.
func Describe(raw []byte) string {
	var t struct {
		Type string          `json:"type"`
		Kind json.RawMessage `json:"kind"`
	}
	if json.Unmarshal(raw, &t) != nil || words[t.Type] == "" {
		return "A change"
	}
	var kind string
	if t.Type == "undo" && len(t.Kind) > 0 && json.Unmarshal(t.Kind, &kind) == nil {
		if kind == "again" {
			return "Done again"
		}
		return "Back to revision " + kind
	}
	return words[t.Type]
}
