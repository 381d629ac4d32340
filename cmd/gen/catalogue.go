package main

import (
	"encoding/json"
	"fmt"
	"reflect"
	"slices"
	"strings"

	"billow/core/clip"
	"billow/core/effect"
	"billow/core/look"
	"billow/core/motion"
	"billow/core/offer"
	"billow/core/passages"
	"billow/core/pieces"
	"billow/core/property"
	"billow/core/table"
	"billow/core/transition"
	"billow/core/wording"
	"billow/fonts"
)

// catalogue writes what can be chosen, with the names that people read.
func catalogue() string {
	var out strings.Builder
	out.WriteString(head)
	line := func(v any) []byte {
		b, err := json.Marshal(v)
		if err != nil {
			panic(err) // plain values cannot fail
		}
		return b
	}
	add := func(name string, list any) {
		fmt.Fprintf(&out, "export const %s = [\n", name)
		for i, v := 0, reflect.ValueOf(list); i < v.Len(); i++ {
			fmt.Fprintf(&out, "  %s,\n", line(v.Index(i).Interface()))
		}
		out.WriteString("] as const\n\n")
	}
	add("properties", properties(clip.AllProperties))
	add("families", families())
	add("lightProperties", properties(clip.LightProperties))
	add("easings", motion.EaseNames)
	add("sides", motion.SideNames)
	add("moveKinds", moves())
	add("passages", ways())
	add("passageParts", clip.PassageParts)
	add("passageOrders", clip.PassageOrders)
	add("passageEdges", clip.PassageEdges)
	add("languages", offer.Languages)
	add("rangeFields", table.Fields)
	add("moneyFields", offer.MoneyFields)
	add("moneyCents", clip.MoneyCents)
	add("moneyZeros", clip.MoneyZeros)
	add("moneySigns", clip.MoneySigns)
	add("pieces", pieces.Names)
	add("pieceSides", pieces.Sides)
	add("figures", clip.Figures)
	add("maskForms", clip.MaskForms)
	add("fits", clip.Fits)
	add("agains", clip.Agains)
	add("maskModes", clip.MaskModes)
	add("fonts", clip.FontNames)
	add("embeddings", clip.Embeddings)
	add("fontFeatures", clip.Features)
	add("fontFiles", fontFiles())
	add("fades", clip.Fades)
	add("loudnessTargets", clip.LoudnessTargets)
	fmt.Fprintf(&out, "export const usualDuck = %g\n\n", clip.UsualDuck)
	fmt.Fprintf(&out, "export const voiceDucks = %d\n\n", clip.VoiceDucks)
	add("hitKinds", clip.HitKinds)
	add("hitDeeds", clip.HitDeeds)
	add("hitsWhich", clip.HitsWhich)
	add("sectionKinds", clip.SectionKinds)
	add("blends", clip.BlendNames)
	add("pins", clip.PinNames)
	add("shapes", shapes())
	add("layerKinds", layerKinds())
	add("transitions", transitions())
	add("effects", effects())
	add("looks", look.Ready)
	fmt.Fprintf(&out, "export const productSlot = %q\n\n", clip.ProductSlot)
	return strings.TrimSuffix(out.String(), "\n")
}

// fontFiles tells in which file each font is that words can be set in.
func fontFiles() (out []fonts.Font) {
	for _, f := range fonts.List {
		if slices.Contains(clip.Fonts, f.Name) {
			out = append(out, f)
		}
	}
	return out
}

type propertyEntry struct {
	Name    string   `json:"name"`
	Title   string   `json:"title"`
	Unit    string   `json:"unit"`
	Parts   []string `json:"parts"`
	Dims    int      `json:"dims"`
	Neutral float64  `json:"neutral"`
	Min     float64  `json:"min"`
	Max     float64  `json:"max"`
	Colour  bool     `json:"colour"`
	Kinds   []string `json:"kinds"` // of layers that have it
}

func properties(list []property.Property) []propertyEntry {
	var out []propertyEntry
	for _, p := range list {
		e := propertyEntry{p.Name, p.Title, p.Unit, p.Parts, p.Dims, p.Neutral, p.Min, p.Max, p.Colour, []string{}}
		if e.Parts == nil {
			e.Parts = []string{""}
		}
		for _, kind := range clip.LayerKinds {
			if clip.Has(kind, p.Name) {
				e.Kinds = append(e.Kinds, kind)
			}
		}
		out = append(out, e)
	}
	return out
}

// families are those of numbered properties.
func families() []propertyEntry {
	out := properties(clip.Families)
	for i := range out {
		out[i].Kinds = []string{}
		for _, k := range clip.Kinds {
			if clip.Has(k.ID, clip.NumberedName(out[i].Name, 1)) {
				out[i].Kinds = append(out[i].Kinds, k.ID)
			}
		}
	}
	return out
}

type kindEntry struct {
	ID      string `json:"id"`
	Name    string `json:"name"`
	Says    string `json:"says"`
	Field   string `json:"field"` // of a layer, where its content is
	Icon    string `json:"icon"`
	Offered bool   `json:"offered"` // it can be put on the Tabletop as it is
	Holds   bool   `json:"holds"`   // other layers lie in it
	Fills   bool   `json:"fills"`   // it covers the frame wherever it rests
	Plays   bool   `json:"plays"`   // it shows after the one of its kind before it
}

func layerKinds() []kindEntry {
	var out []kindEntry
	for _, k := range clip.Kinds {
		out = append(out, kindEntry{k.ID, k.Name, k.Says, k.Field, k.Icon, k.Offered, k.Holds, k.Fills, k.Plays})
	}
	return out
}

type effectEntry struct {
	Name       string    `json:"name"`
	Title      string    `json:"title"`
	Says       string    `json:"says"`
	Group      string    `json:"group"`
	Begin      []float64 `json:"begin"` // what its first property is when it is put on
	Properties []string  `json:"properties"`
}

// effects are those that are offered.
func effects() (out []effectEntry) {
	for _, e := range effect.All {
		if e.Title == "" {
			continue
		}
		one := effectEntry{e.Name, e.Title, e.Says, e.Group, e.Begin, nil}
		for _, p := range e.Properties {
			one.Properties = append(one.Properties, p.Name)
		}
		out = append(out, one)
	}
	return out
}

type transitionEntry struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	Says  string `json:"says"`
	Usual int    `json:"usual"` // frames
}

func transitions() []transitionEntry {
	var out []transitionEntry
	for _, t := range transition.All {
		out = append(out, transitionEntry{t.ID, t.Name, t.Says, t.Usual})
	}
	return out
}

type moveEntry struct {
	ID     string       `json:"id"`
	Name   string       `json:"name"`
	Says   string       `json:"says"`
	Icon   string       `json:"icon"`
	Sides  wording.List `json:"sides"`
	Turns  bool         `json:"turns"`
	Strong bool         `json:"strong"`
	Of     string       `json:"of"`
	Drifts bool         `json:"drifts"`
}

func moves() []moveEntry {
	var out []moveEntry
	for _, m := range clip.Moves {
		out = append(out, moveEntry{m.ID, m.Name, m.Says, m.Icon, append(wording.List{}, m.Sides...), m.Turns, m.Strong, m.Of, m.Drifts})
	}
	return out
}

type shapeEntry struct {
	ID    string `json:"id"`
	Name  string `json:"name"`
	Ratio string `json:"ratio"`
	W     int    `json:"w"`
	H     int    `json:"h"`
}

func shapes() []shapeEntry {
	var out []shapeEntry
	for i, s := range clip.Standard {
		out = append(out, shapeEntry{s.ID, clip.ShapeNames[i].Name, clip.ShapeNames[i].Says, s.W, s.H})
	}
	return out
}

// ways are the ready ways in which words come and go.
func ways() (out wording.List) {
	for _, k := range passages.Kinds {
		out = append(out, wording.Entry{ID: k.ID, Name: k.Name, Says: k.Says})
	}
	return out
}
