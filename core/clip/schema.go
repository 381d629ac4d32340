package clip

import (
	"encoding/json"
	"maps"
	"reflect"
	"strings"

	"billow/core/motion"
	"billow/core/offer"
	"billow/core/transition"
)

// Schema is the JSON Schema (draft 2020-12) of the document, made from the
// types, so that it cannot fall behind them. Limits that a schema cannot
// express are checked by Validate.
func Schema() []byte {
	defs := map[string]any{}
	root := describe(reflect.TypeFor[Clip](), defs)
	out := map[string]any{
		"$schema": "https://json-schema.org/draft/2020-12/schema",
		"title":   "Billow clip, version 2",
		"$defs":   defs,
	}
	for k, v := range root {
		out[k] = v
	}
	b, err := json.MarshalIndent(out, "", "  ")
	if err != nil {
		panic(err) // maps of plain values cannot fail
	}
	return append(b, '\n')
}

// written are types with a JSON form of their own.
var written = map[string]map[string]any{
	"Moment": {"oneOf": []any{
		map[string]any{"type": "integer", "description": "frame number"},
		map[string]any{"type": "object", "required": []string{"beat"}, "additionalProperties": false,
			"properties": map[string]any{"beat": map[string]any{"type": "number"}, "frames": map[string]any{"type": "integer"}}},
	}},
	"Colour": {"type": "string", "pattern": "^#[0-9a-fA-F]{6}([0-9a-fA-F]{2})?$"},
}

// Enum is the closed list of what a field of a type may say, or none.
func Enum(typ, field string) []string { return enums[typ+"."+field] }

// enums are the closed lists, by type and field; those of kinds come on top.
var enums = withKinds(map[string][]string{
	"Layer.Kind": LayerKinds, "Layer.Blend": BlendModes,
	"Rest.Pin": Pins, "Prop.Kind": {KindCutout, KindFootage, KindTune, KindFont, KindTable}, "OwnFont.Embedding": Embeddings.IDs(),
	"Product.Quote": offer.Quotes, "Money.Cents": MoneyCents.IDs(), "Money.Zeros": MoneyZeros.IDs(), "Money.Sign": MoneySigns.IDs(),
	"OnHits.Does": HitDeeds.IDs(), "HitChoice.Which": HitsWhich.IDs(), "Hit.Kind": HitKinds.IDs(), "Section.Kind": SectionKinds.IDs(), "SoundTrack.FadeInShape": Fades.IDs(), "SoundTrack.FadeOutShape": Fades.IDs(), "Key.Off": append([]string{""}, motion.Sides...),
	"Ease.Kind":  motion.EaseNames.IDs(),
	"Leave.Kind": transitionIDs(),
	"Move.Kind":  MoveKinds, "Move.Side": append([]string{""}, motion.Sides...), "Reveal.Side": motion.Sides[:4],
})

func withKinds(all map[string][]string) map[string][]string {
	for _, k := range Kinds {
		for field, list := range k.Enums {
			all[field] = list
		}
	}
	return all
}

func transitionIDs() []string {
	out := []string{""} // a cut
	for _, t := range transition.All {
		out = append(out, t.ID)
	}
	return out
}

func describe(t reflect.Type, defs map[string]any) map[string]any {
	switch t.Kind() {
	case reflect.Pointer:
		return map[string]any{"anyOf": []any{describe(t.Elem(), defs), map[string]any{"type": "null"}}}
	case reflect.Slice, reflect.Array:
		if t.Elem().Kind() == reflect.Uint8 {
			return map[string]any{"type": "string", "contentEncoding": "base64"}
		}
		return map[string]any{"type": "array", "items": describe(t.Elem(), defs)}
	case reflect.Map:
		return map[string]any{"type": "object", "additionalProperties": describe(t.Elem(), defs)}
	case reflect.String:
		return map[string]any{"type": "string"}
	case reflect.Bool:
		return map[string]any{"type": "boolean"}
	case reflect.Int:
		return map[string]any{"type": "integer"}
	case reflect.Float64:
		return map[string]any{"type": "number"}
	}
	name := t.Name()
	ref := map[string]any{"$ref": "#/$defs/" + name}
	if _, done := defs[name]; done {
		return ref
	}
	if w, ok := written[name]; ok {
		defs[name] = w
		return ref
	}
	defs[name] = nil // against circles
	defs[name] = describeFields(t, defs)
	return ref
}

func describeFields(t reflect.Type, defs map[string]any) map[string]any {
	properties, required := map[string]any{}, []string{}
	for i := range t.NumField() {
		f := t.Field(i)
		if f.Anonymous { // its fields are the structure's own
			part := describeFields(f.Type, defs)
			maps.Copy(properties, part["properties"].(map[string]any))
			required = append(required, part["required"].([]string)...)
			continue
		}
		name, options, _ := strings.Cut(f.Tag.Get("json"), ",")
		if name == "-" {
			continue
		}
		p := describe(f.Type, defs)
		if list, ok := enums[t.Name()+"."+f.Name]; ok {
			p["enum"] = list
		}
		properties[name] = p
		if !strings.Contains(options, "omit") && f.Type.Kind() != reflect.Pointer {
			required = append(required, name)
		}
	}
	return map[string]any{"type": "object", "properties": properties, "required": required, "additionalProperties": false}
}
