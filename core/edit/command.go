// Package edit changes clips: a command applied to a clip gives a new clip, or
// an error that names the field and the reason. The clip given is not touched.
package edit

import (
	"encoding/json"
	"slices"

	"billow/core/clip"
)

// command is one kind of change. apply works on a copy.
type command interface {
	apply(c *clip.Clip) error
}

// kinds makes an empty command of each type.
var kinds = map[string]func() command{
	"batch":         func() command { return &Batch{} },
	"undo":          func() command { return &Undo{} },
	"setClip":       func() command { return &SetClip{} },
	"setLight":      func() command { return &SetLight{} },
	"setTempo":      func() command { return &SetTempo{} },
	"setTune":       func() command { return &SetTune{} },
	"cutTune":       func() command { return &CutTune{} },
	"setSound":      func() command { return &SetSound{} },
	"hearFootage":   func() command { return &HearFootage{} },
	"addProp":       func() command { return &AddProp{} },
	"setProduct":    func() command { return &SetProduct{} },
	"bringPictures": func() command { return &BringPictures{} },
	"setVariants":   func() command { return &SetVariants{} },
	"adjust":        func() command { return &Adjust{} },
	"likeOthers":    func() command { return &LikeOthers{} },
	"bindProduct":   func() command { return &BindProduct{} },
	"sceneForEach":  func() command { return &SceneForEach{} },
	"setRange":      func() command { return &SetRange{} },
	"addLayers":     func() command { return &AddLayers{} },
	"changeInto":    func() command { return &ChangeInto{} },
	"becomePath":    func() command { return &BecomePath{} },
	"addLayer":      func() command { return &AddLayer{} },
	"removeLayer":   func() command { return &RemoveLayer{} },
	"copyLayer":     func() command { return &CopyLayer{} },
	"stackLayer":    func() command { return &StackLayer{} },
	"setLayer":      func() command { return &SetLayer{} },
	"setRest":       func() command { return &SetRest{} },
	"clearRest":     func() command { return &ClearRest{} },
	"setKey":        func() command { return &SetKey{} },
	"removeKeys":    func() command { return &RemoveKeys{} },
	"moveKeys":      func() command { return &MoveKeys{} },
	"bindKey":       func() command { return &BindKey{} },
	"setEase":       func() command { return &SetEase{} },
	"shiftLayer":    func() command { return &ShiftLayer{} },
	"handle":        func() command { return &Handle{} },
	"bendPath":      func() command { return &BendPath{} },
	"movePivot":     func() command { return &MovePivot{} },
	"setValue":      func() command { return &SetValue{} },
	"stretchKeys":   func() command { return &StretchKeys{} },
	"reverseKeys":   func() command { return &ReverseKeys{} },
	"snapKeys":      func() command { return &SnapKeys{} },
	"pasteKeys":     func() command { return &PasteKeys{} },
	"pasteMotion":   func() command { return &PasteMotion{} },
	"wearLook":      func() command { return &WearLook{} },
	"dropEffect":    func() command { return &DropEffect{} },
	"holdUntil":     func() command { return &HoldUntil{} },
	"holdCreep":     func() command { return &HoldCreep{} },
	"actOnHits":     func() command { return &ActOnHits{} },
	"setMove":       func() command { return &SetMove{} },
	"removeMove":    func() command { return &RemoveMove{} },
	"groupLayers":   func() command { return &GroupLayers{} },
	"ungroup":       func() command { return &Ungroup{} },
	"intoGroup":     func() command { return &IntoGroup{} },
	"setLineup":     func() command { return &SetLineup{} },
	"setRun":        func() command { return &SetRun{} },
	"addMask":       func() command { return &AddMask{} },
	"removeMask":    func() command { return &RemoveMask{} },
	"addColour":     func() command { return &AddColour{} },
	"removeColour":  func() command { return &RemoveColour{} },
	"makeLineup":    func() command { return &MakeLineup{} },
	"stagger":       func() command { return &Stagger{} },
	"partPosition":  func() command { return &PartPosition{} },
	"swapPicture":   func() command { return &SwapPicture{} },
	"recut":         func() command { return &Recut{} },
	"tradeProduct":  func() command { return &TradeProduct{} },
	"closeLoop":     func() command { return &CloseLoop{} },
	"addScene":      func() command { return &AddScene{} },
	"splitScene":    func() command { return &SplitScene{} },
	"trimScene":     func() command { return &TrimScene{} },
	"moveScene":     func() command { return &MoveScene{} },
	"riseBehind":    func() command { return &RiseBehind{} },
	"runAlong":      func() command { return &RunAlong{} },
	"setAxis":       func() command { return &SetAxis{} },
	"shadeWords":    func() command { return &ShadeWords{} },
	"fillWords":     func() command { return &FillWords{} },
	"addLine":       func() command { return &AddLine{} },
	"removeLine":    func() command { return &RemoveLine{} },
	"addPoint":      func() command { return &AddPoint{} },
	"removePoint":   func() command { return &RemovePoint{} },
	"setPalette":    func() command { return &SetPalette{} },
	"setMarks":      func() command { return &SetMarks{} },
	"soundOfMove":   func() command { return &SoundOfMove{} },
	"setCredit":     func() command { return &SetCredit{} },
	"fitScenes":     func() command { return &FitScenes{} },
	"landOn":        func() command { return &LandOn{} },
	"spreadOut":     func() command { return &SpreadOut{} },
}

// Commands is an empty command of each type, for those who describe them.
func Commands() map[string]any {
	out := map[string]any{}
	for name, make := range kinds {
		out[name] = make()
	}
	return out
}

// Typed is the part that all commands share in JSON: {"type": "setKey", ...}.
type Typed struct {
	Type string `json:"type"`
}

// MaxBytes is the largest command that is read.
const MaxBytes = clip.MaxBytes + 1<<20

// Apply reads a command and applies it. The clip that comes back is valid.
func Apply(c *clip.Clip, raw []byte) (*clip.Clip, error) {
	out := c.Copy()
	next, err := applyTo(out, raw, 0)
	if err != nil {
		return nil, err
	}
	recoloured(c, next)
	next.Fit()
	if len(next.Products) < len(c.Products) || !slices.Equal(next.Shapes, c.Shapes) {
		next.Settle()
	}
	if err := next.ValidateAfter(c); err != nil {
		return nil, err
	}
	return next, nil
}

func applyTo(c *clip.Clip, raw []byte, depth int) (*clip.Clip, error) {
	if len(raw) > MaxBytes {
		return nil, clip.Fault("", "the command is too large")
	}
	var t Typed
	if err := json.Unmarshal(raw, &t); err != nil {
		return nil, clip.Fault("", "this is not a command: %v", err)
	}
	make, ok := kinds[t.Type]
	if !ok {
		return nil, clip.Fault("type", "there is no command %q", t.Type)
	}
	cmd := make()
	if err := clip.DecodeStrict(raw, cmd); err != nil {
		return nil, err
	}
	switch cmd := cmd.(type) {
	case *Undo:
		return undo(c, cmd)
	case *Batch:
		if depth > 0 {
			return nil, clip.Fault("commands", "a batch cannot hold a batch")
		}
		for _, r := range cmd.Commands {
			next, err := applyTo(c, r, depth+1)
			if err != nil {
				return nil, err
			}
			c = next
		}
		return c, nil
	}
	if err := cmd.apply(c); err != nil {
		return c, err
	}
	soundsOfMoves(c)
	return c, nil
}

// Batch applies several commands as one step.
type Batch struct {
	Typed
	Commands []json.RawMessage `json:"commands" ts:"Command[]"`
}

func (*Batch) apply(*clip.Clip) error { return nil }
