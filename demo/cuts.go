package demo

import (
	"bytes"
	"embed"
	"encoding/json"
	"image/png"

	"billow/core/cutout"
	"billow/media"
)

// Photos of the sample world, and what the Bench makes of them: cuts.json has the orders that
// were given on the page.
//
//go:embed photos/*.jpg photos/*.png photos/cuts.json
var photos embed.FS

// Cuts are the cuts of the sample world, whose photos and results are named by their IDs.
func Cuts() (list []cutout.Kept, err error) {
	raw, err := photos.ReadFile("photos/cuts.json")
	if err != nil {
		return nil, err
	}
	return list, json.Unmarshal(raw, &list)
}

// Recut makes the cuts of the sample world anew: cuts.json and their pictures, as PNG, by their
// names.
func Recut() (map[string][]byte, error) {
	list, err := Cuts()
	if err != nil {
		return nil, err
	}
	out := map[string][]byte{}
	for i := range list {
		k := &list[i]
		piece, err := finished(list, i)
		if err != nil {
			return nil, err
		}
		var file bytes.Buffer
		e := png.Encoder{CompressionLevel: png.BestCompression}
		if err := e.Encode(&file, piece.Picture.Image()); err != nil {
			return nil, err
		}
		k.At, k.Found = piece.At, piece.Found
		out[k.Result+".png"] = file.Bytes()
	}
	raw, err := json.MarshalIndent(list, "", " ")
	out["cuts.json"] = append(raw, '\n')
	return out, err
}

// finished is what the Bench makes of a cut of a list.
func finished(list []cutout.Kept, i int) (cutout.Finished, error) {
	file, err := photos.ReadFile("photos/" + list[i].Photo + ".jpg")
	if err != nil {
		return cutout.Finished{}, err
	}
	m, err := media.Picture(bytes.NewReader(file))
	if err != nil {
		return cutout.Finished{}, err
	}
	return cutout.Finish(m, cutout.Whole(list, i))
}
