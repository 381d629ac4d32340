package edit

import (
	"encoding/json"
	"fmt"
	"strings"
	"testing"

	"billow/core/clip"
	"billow/core/layout"
	set "billow/core/words"
)

// ranged is a clip of which words and a cut-out show the product of the clip, with a range of two.
func ranged(t *testing.T) *clip.Clip {
	t.Helper()
	c := sample()
	c = do(t, c, `{"type":"setRange","products":[
		{"id":"lamp","name":"Storm lantern","price":"49","oldPrice":"69","currency":"EUR","prop":"mug","spoken":{"de":{"name":"Sturmlaterne"}}},
		{"id":"tin","name":"Bread tin","price":"27.50","oldPrice":"","currency":"EUR"}]}`)
	c = do(t, c, `{"type":"setLayer","layer":"words","set":{"words":{"text":"{name} now {price}","product":"lamp","texts":{"de":"{name} für {price}"}}}}`)
	c = do(t, c, `{"type":"bindProduct","product":"lamp"}`)
	return do(t, c, `{"type":"setVariants","products":["lamp","tin"],"languages":["","de"]}`)
}

func variant(t *testing.T, c *clip.Clip, product, shape, language string) *clip.Clip {
	t.Helper()
	v, problems, err := Variant(c, clip.Variant{Product: product, Shape: shape, Language: language})
	if err != nil || len(problems) > 0 {
		t.Fatal(problems, err)
	}
	if err := v.Validate(); err != nil {
		t.Fatal(err)
	}
	return v
}

func saysWords(c *clip.Clip) string {
	l := c.Layer("words")
	return set.Said(l.Words, c.SubjectOf(l))
}

// A variant shows its product, in its language, and the clip stays what it was.
func TestAVariantShowsItsProduct(t *testing.T) {
	c := ranged(t)
	before := string(c.Encode())
	if c.Shown != "lamp" || saysWords(c) != "Storm lantern now €49.00" {
		t.Errorf("the clip shows %q and says %q", c.Shown, saysWords(c))
	}
	for _, x := range []struct{ product, language, says string }{
		{"lamp", "", "Storm lantern now €49.00"}, {"tin", "", "Bread tin now €27.50"},
		{"lamp", "de", "Sturmlaterne für 49,00\u00a0€"}, {"tin", "de", "Bread tin für 27,50\u00a0€"}, {"lamp", "de-AT", "Sturmlaterne für €\u00a049,00"}, {"lamp", "fr", "Storm lantern now 49,00\u00a0€"},
	} {
		if got := saysWords(variant(t, c, x.product, "tall", x.language)); got != x.says {
			t.Errorf("%s in %q says %q, want %q", x.product, x.language, got, x.says)
		}
	}
	if string(c.Encode()) != before {
		t.Error("the clip was changed")
	}
	if refs := c.EachVariant(); len(refs) != 2*2*len(c.Shapes) || refs[0] != (clip.Variant{Product: "lamp", Shape: "tall"}) {
		t.Errorf("%v", refs)
	}
}

// What is adjusted in one variant touches no other, and stays when what all have is changed.
func TestAVariantIsAdjustedByItself(t *testing.T) {
	c := ranged(t)
	adjust := func(command string) string {
		return `{"type":"adjust","product":"tin","shape":"tall","command":` + command + `}`
	}
	size := func(n int) string {
		return adjust(fmt.Sprintf(`{"type":"setRest","layer":"words","shape":"tall","set":{"size":%d}}`, n))
	}
	c = do(t, c, size(55))
	c = do(t, c, adjust(`{"type":"setLayer","layer":"words","set":{"words":{"text":"Only {price}"}}}`))
	if got := saysWords(variant(t, c, "tin", "tall", "")); got != "Only €27.50" {
		t.Errorf("it says %q", got)
	}
	rest := func(c *clip.Clip) float64 {
		return layout.RestIn(c, c.Layer("words"), clip.Shape{ID: "tall", W: 1080, H: 1920}).Size
	}
	usual := rest(c)
	if got := rest(variant(t, c, "tin", "tall", "")); got != 55 {
		t.Errorf("it is %g large", got)
	}
	for _, other := range [][3]string{{"tin", "square", ""}, {"tin", "tall", "de"}, {"lamp", "tall", ""}} {
		v := variant(t, c, other[0], other[1], other[2])
		if rest(v) != usual || strings.Contains(saysWords(v), "Only") {
			t.Errorf("%v was adjusted, too", other)
		}
	}
	// The same setting again is one step, and undo takes it back.
	before := c
	c = do(t, c, adjust(`{"type":"setLayer","layer":"words","set":{"words":{"text":"Just {price}"}}}`))
	if n := len(c.Variants.Cells[0].Commands); n != 2 {
		t.Errorf("there are %d steps", n)
	}
	p, err := Difference(before, c)
	if err != nil {
		t.Fatal(err)
	}
	undo, err := json.Marshal(map[string]any{"type": "undo", "changes": p.Inverse()})
	if err != nil {
		t.Fatal(err)
	}
	if got := saysWords(variant(t, do(t, c, string(undo)), "tin", "tall", "")); got != "Only €27.50" {
		t.Errorf("undone, it says %q", got)
	}
	// What all have may change, and even go.
	c = do(t, c, `{"type":"setLayer","layer":"words","set":{"lift":33}}`)
	if v := variant(t, c, "tin", "tall", ""); v.Layer("words").Lift != 33 || saysWords(v) != "Just €27.50" {
		t.Errorf("%+v", v.Layer("words"))
	}
	without := do(t, c, `{"type":"removeLayer","layer":"words"}`)
	if _, problems, err := Variant(without, clip.Variant{Product: "tin", Shape: "tall"}); err != nil || len(problems) != 2 || !strings.Contains(problems[0], "words") {
		t.Errorf("%q %v", problems, err)
	}
	c = do(t, c, `{"type":"likeOthers","product":"tin","shape":"tall"}`)
	if got := rest(variant(t, c, "tin", "tall", "")); got != usual || len(c.Variants.Cells) != 0 {
		t.Errorf("it is %g large", got)
	}
	refused(t, c, adjust(`{"type":"setClip","name":"x"}`), "command")
	refused(t, c, adjust(`{"type":"batch","commands":[{"type":"setRange"}]}`), "command")
	refused(t, c, adjust(`{"type":"setRest","layer":"nobody","shape":"tall","set":{}}`), "layer")
	refused(t, c, `{"type":"adjust","product":"nobody","shape":"tall","command":{"type":"batch","commands":[]}}`, "product")
	refused(t, c, `{"type":"adjust","product":"tin","shape":"round","command":{"type":"batch","commands":[]}}`, "shape")
	refused(t, c, `{"type":"setVariants","products":["tin","tin"]}`, "products")
	refused(t, c, `{"type":"setVariants","files":"../{name}"}`, "files")
}

// Variants lose what the clip loses.
func TestVariantsLoseWhatTheClipLoses(t *testing.T) {
	c := ranged(t)
	c = do(t, c, `{"type":"adjust","product":"tin","shape":"tall","command":{"type":"setLayer","layer":"words","set":{"lift":9}}}`)
	c = do(t, c, `{"type":"setRange","remove":["tin"]}`)
	if v := c.Variants; len(v.Products) != 1 || len(v.Cells) != 0 {
		t.Errorf("%+v", v)
	}
}

// A scene is repeated for products, each copy with its own.
func TestASceneForEachProduct(t *testing.T) {
	c := ranged(t)
	scene := c.Scenes()[0]
	length := c.Length
	refused(t, c, fmt.Sprintf(`{"type":"sceneForEach","scene":%q,"products":["tin"]}`, scene.ID), "scene") // the words lie above it
	c = do(t, c, fmt.Sprintf(`{"type":"intoGroup","layers":["words"],"group":%q}`, scene.ID))
	c = do(t, c, fmt.Sprintf(`{"type":"sceneForEach","scene":%q,"products":["tin","lamp"]}`, scene.ID))
	scenes := c.Scenes()
	if len(scenes) < 2 || c.Length != length+scene.To-scene.From {
		t.Fatalf("%+v of %d frames", scenes, c.Length)
	}
	for i, product := range []string{"tin", "lamp"} {
		if s := c.Layer(scenes[i].ID); s.Scene.Product != product || s.Name != c.Product(product).Name {
			t.Errorf("scene %d shows %q and is called %q", i, s.Scene.Product, s.Name)
		}
	}
	says := map[string]string{}
	for i := range c.Layers {
		if l := &c.Layers[i]; l.Words != nil && strings.Contains(l.Words.Text, "{name}") {
			says[l.Group] = set.Said(l.Words, c.SubjectOf(l))
		}
	}
	if says[scenes[0].ID] != "Bread tin now €27.50" || says[scenes[1].ID] != "Storm lantern now €49.00" {
		t.Errorf("they say %q", says)
	}
	refused(t, c, fmt.Sprintf(`{"type":"sceneForEach","scene":%q,"products":["tin","tin"]}`, scene.ID), "products")
	refused(t, c, fmt.Sprintf(`{"type":"sceneForEach","scene":%q,"products":[]}`, scene.ID), "products")
	refused(t, sample(), `{"type":"bindProduct","product":"nobody"}`, "product")
}

// A clip that is given another language says what was translated, and can be turned back.
func TestAClipTurnsIntoAnotherLanguage(t *testing.T) {
	c := ranged(t)
	before := string(c.Encode())
	german := do(t, c, `{"type":"setClip","language":"de"}`)
	if got := saysWords(german); got != "Sturmlaterne für 49,00\u00a0€" || german.Variants.Languages[0] != "en" || german.Variants.Languages[1] != "" {
		t.Errorf("it says %q, and has variants in %q", got, german.Variants.Languages)
	}
	if got := saysWords(variant(t, german, "lamp", "tall", "en")); got != "Storm lantern now €49.00" {
		t.Errorf("its English variant says %q", got)
	}
	back := do(t, german, `{"type":"setClip","language":""}`)
	if got := string(back.Encode()); got != before {
		t.Errorf("turned back it is\n%s, and was\n%s", got, before)
	}
	// What is not translated stays, with money in the form of the language.
	if got := saysWords(do(t, c, `{"type":"setClip","language":"fr"}`)); got != "Storm lantern now 49,00\u00a0€" {
		t.Errorf("in French it says %q", got)
	}
	refused(t, c, `{"type":"setClip","language":"tlh"}`, "language")
}
