//go:build js && wasm

// Command engine is Billow's core in WebAssembly. The page runs it in workers
// and calls billow(method, argument, bytes): the argument and the answer are
// JSON; what is bytes goes and comes as a Uint8Array. An answer is
// {value}, {bytes} or {error: {message, field}}. It never throws. A font is asked
// of billowFont(file) when it is first needed: a Uint8Array, or null while it
// cannot be had; so is a part of footage of billowPart(hash, at, bytes).
package main

import (
	"encoding/json"
	"errors"
	"fmt"
	"runtime/debug"
	"syscall/js"

	"billow/core/clip"
	"billow/core/engine"
	"billow/core/frame"
	"billow/fonts"
)

// cacheBytes is how much an engine keeps of what it could make again.
const cacheBytes = 160 << 20

func main() {
	// Answers leave much garbage and little that stays: collecting it less often
	// costs some megabytes and saves much of the time.
	debug.SetGCPercent(400)
	lib := frame.NewLibrary(fonts.Set(fetched), cacheBytes)
	lib.File = func(hash string) ([]byte, error) { return fetched("own:" + hash) }
	e := engine.New(lib)
	e.Read = part
	js.Global().Set("billow", js.FuncOf(func(_ js.Value, args []js.Value) any {
		return answer(e, args)
	}))
	js.Global().Get("billowReady").Invoke()
	select {}
}

// fetched is a font file as the worker gets it (billowFont).
func fetched(name string) ([]byte, error) {
	file := js.Global().Call("billowFont", name)
	if !file.Truthy() {
		return nil, errors.New("it cannot be fetched now")
	}
	b := make([]byte, file.Get("length").Int())
	js.CopyBytesToGo(b, file)
	return b, nil
}

// part is a part of a file as the worker gets it (billowPart).
func part(hash string, at int64, n int) ([]byte, error) {
	got := js.Global().Call("billowPart", hash, at, n)
	if !got.Truthy() {
		return nil, errors.New("a part of the footage cannot be fetched now")
	}
	b := make([]byte, n)
	if js.CopyBytesToGo(b, got) < n {
		return nil, errors.New("the footage is cut off")
	}
	return b, nil
}

// answer calls a method and wraps what it gives or why it cannot.
func answer(e *engine.Engine, args []js.Value) (out map[string]any) {
	defer func() {
		if p := recover(); p != nil {
			out = map[string]any{"error": map[string]any{"message": fmt.Sprintf("the engine stumbled: %v", p), "field": ""}}
		}
	}()
	var in []byte
	if len(args) > 2 && args[2].Truthy() {
		in = make([]byte, args[2].Get("length").Int())
		js.CopyBytesToGo(in, args[2])
	}
	value, err := e.Call(args[0].String(), []byte(args[1].String()), in)
	if err != nil {
		return failure(err)
	}
	if bytes, ok := value.(engine.Bytes); ok {
		array := js.Global().Get("Uint8Array").New(len(bytes))
		js.CopyBytesToJS(array, bytes)
		return map[string]any{"bytes": array}
	}
	b, err := json.Marshal(value)
	if err != nil {
		return failure(err)
	}
	return map[string]any{"value": string(b)}
}

func failure(err error) map[string]any {
	message, field := err.Error(), ""
	var f *clip.FieldError
	if errors.As(err, &f) {
		message, field = f.Reason, f.Field
	}
	return map[string]any{"error": map[string]any{"message": message, "field": field}}
}
