package main

import (
	"fmt"
	"maps"
	"reflect"
	"regexp"
	"slices"
	"strings"

	"billow/core/clip"
	"billow/core/edit"
	"billow/core/engine"
)

// writer collects the interfaces of all types that are asked for.
type writer struct {
	names map[reflect.Type]string
	done  map[string]string // name to text
}

// types writes the document, and what the engine is asked about it: commands,
// questions and answers, by the names of their files.
func types() map[string]string {
	w := &writer{map[reflect.Type]string{}, map[string]string{}}
	w.of(reflect.TypeFor[clip.Clip]())
	document := slices.Collect(maps.Keys(w.done))
	var commands, methods strings.Builder
	list := edit.Commands()
	for _, name := range slices.Sorted(maps.Keys(list)) {
		fmt.Fprintf(&commands, "  | { type: '%s'%s }\n", name, w.inline(reflect.TypeOf(list[name]).Elem()))
	}
	for _, name := range slices.Sorted(maps.Keys(engine.Methods)) {
		m := engine.Methods[name]
		fmt.Fprintf(&methods, "  %s: { in: %s; out: %s }\n", name, w.of(m.In), w.of(m.Out))
	}
	files := map[string]*file{
		"commands": {names: []string{"Changed", "Command"}, text: changed + "// Command is one change of a clip.\nexport type Command =\n" + commands.String()},
		"methods":  {text: "// Methods are what the engine is asked and what it answers.\nexport interface Methods {\n" + methods.String() + "}\n"},
		"document": {}, "values": {}, "asked": {}, "answered": {},
	}
	own := map[string]string{} // the package of a type, by its name
	for t, name := range w.names {
		own[name] = t.PkgPath()
	}
	for _, name := range slices.Sorted(maps.Keys(w.done)) {
		f := files["answered"]
		switch inClip, inEngine := own[name] == reflect.TypeFor[clip.Clip]().PkgPath(), own[name] == reflect.TypeFor[engine.Engine]().PkgPath(); {
		case slices.Contains(document, name) && inClip:
			f = files["document"]
		case slices.Contains(document, name):
			f = files["values"] // that the document is made of
		case inEngine:
			f = files["asked"]
		}
		f.names, f.text = append(f.names, name), f.text+w.done[name]+"\n"
	}
	out := map[string]string{}
	for name, f := range files {
		imports := ""
		for _, from := range slices.Sorted(maps.Keys(files)) {
			if from != name {
				imports += using(files[from].names, from, f.text)
			}
		}
		if imports != "" {
			imports += "\n"
		}
		out[name+".ts"] = head + imports + strings.TrimRight(f.text, "\n") + "\n"
	}
	return out
}

// file is a file of types.
type file struct {
	names []string
	text  string
}

// using imports those of some types that a text names.
func using(names []string, from, text string) string {
	var used []string
	for _, name := range names {
		if regexp.MustCompile(`[^'\w]` + name + `\b`).MatchString(text) {
			used = append(used, name)
		}
	}
	if len(used) == 0 {
		return ""
	}
	return "import type { " + strings.Join(used, ", ") + " } from './" + from + "'\n"
}

// changed is what a command sets of something: any part of it, and nothing in
// place of what can be absent.
const changed = `// Changed is any part of something; null takes away what can be absent.
export type Changed<T> = T extends unknown[] ? T : T extends object ? { [K in keyof T]?: Changed<T[K]> | null } : T

`

// written are types with a JSON form of their own.
var written = map[string]string{
	"timing.Moment": "number | { beat: number; frames?: number }", "colour.Colour": "string",
	"engine.Document": "Clip", "engine.Order": "Command", "engine.Bytes": "Uint8Array",
}

// of is a type's name in TypeScript.
func (w *writer) of(t reflect.Type) string {
	if name, ok := written[t.String()]; ok {
		if t.Name() == "Moment" {
			w.done["Moment"] = "export type Moment = " + name + "\n"
			return "Moment"
		}
		return name
	}
	switch t.Kind() {
	case reflect.Pointer:
		if t.Elem().Kind() == reflect.Struct && t.Elem().NumField() == 0 {
			return "null"
		}
		return w.of(t.Elem()) + " | null"
	case reflect.Slice:
		if t.Elem().Kind() == reflect.Uint8 {
			return "string"
		}
		elem := t.Elem()
		if elem.Kind() == reflect.Pointer {
			elem = elem.Elem() // none of them is nil
		}
		return many(w.of(elem))
	case reflect.Array:
		return "[" + strings.TrimSuffix(strings.Repeat(w.of(t.Elem())+", ", t.Len()), ", ") + "]"
	case reflect.Map:
		return "Record<string, " + w.of(t.Elem()) + ">"
	case reflect.String:
		return "string"
	case reflect.Bool:
		return "boolean"
	case reflect.Int, reflect.Float64, reflect.Uint8:
		return "number"
	case reflect.Interface:
		return "unknown"
	case reflect.Struct:
		return w.structure(t)
	}
	panic("no TypeScript for " + t.String())
}

func many(t string) string {
	if strings.Contains(t, "|") {
		return "(" + t + ")[]"
	}
	return t + "[]"
}

// structure writes an interface once. Types of one name in two packages are told
// apart by the package.
func (w *writer) structure(t reflect.Type) string {
	if name, ok := w.names[t]; ok {
		return name
	}
	name := t.Name()
	for other, taken := range w.names {
		if taken == name && other != t {
			pkg, _, _ := strings.Cut(t.String(), ".")
			name = strings.ToUpper(pkg[:1]) + pkg[1:] + name
		}
	}
	w.names[t] = name
	w.done[name] = "" // against circles
	var b strings.Builder
	fmt.Fprintf(&b, "export interface %s {\n", name)
	for _, f := range w.fields(t) {
		b.WriteString("  " + f + "\n")
	}
	b.WriteString("}\n")
	w.done[name] = b.String()
	return name
}

// inline is a command's fields after its type.
func (w *writer) inline(t reflect.Type) string {
	out := ""
	for _, f := range w.fields(t) {
		out += "; " + f
	}
	return out
}

// fields are a structure's fields as JSON has them; those of a structure that is
// part of it without a name are its own.
func (w *writer) fields(t reflect.Type) []string {
	var out []string
	for i := range t.NumField() {
		f := t.Field(i)
		if f.Anonymous {
			if f.Name != "Typed" {
				out = append(out, w.fields(f.Type)...)
			}
			continue
		}
		name, options, _ := strings.Cut(f.Tag.Get("json"), ",")
		if !f.IsExported() || name == "-" {
			continue
		}
		if name == "" {
			panic(t.String() + "." + f.Name + " has no name in JSON")
		}
		kind := f.Tag.Get("ts")
		if list := clip.Enum(t.Name(), f.Name); kind == "" && list != nil {
			kind = "'" + strings.Join(list, "' | '") + "'"
		}
		if kind == "" {
			kind = w.of(f.Type)
		}
		optional := ""
		if strings.Contains(options, "omit") {
			optional = "?"
		}
		out = append(out, name+optional+": "+kind)
	}
	return out
}
