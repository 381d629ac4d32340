package graph

import (
	"fmt"
	"image"
	"strings"
	"testing"

	"billow/core/cube"
	"billow/core/effect"
	"billow/core/paint"
)

// filling is a picture that fills a frame of 1080x1920 but for its corners: a product of many colours and
// a fine grain, with a rim as soft as a cut-out's, before a screen of green in its upper third.
func filling() *paint.Sheet {
	const w, h = 1080, 1920
	b := paint.NewBitmap(w, h)
	grain := uint32(1)
	for i := range b.Pix {
		grain = grain*1664525 + 1013904223
		x, y := float64(i%w)/(w/2)-1, float64(i/w)/(h/2)-1
		n := int(grain >> 28)
		r, g, bl := 150+int(80*x)+n, 110+int(60*y)+n, 90+int(70*x*y)+n
		if i/w < h/3 && i%w < w/2 {
			r, g, bl = n, 170+n, 57+n
		}
		far := (x*x*x*x + y*y*y*y - 1) * 200 // pixels beyond the rim, about
		alpha := min(max(1-far/2, 0), 1)
		of := func(v int) uint32 { return uint32(float64(min(max(v, 0), 255))*alpha + 0.5) }
		b.Pix[i] = of(r) | of(g)<<8 | of(bl)<<16 | of(255)<<24
	}
	return paint.NewSheet(b, 0, 0, 1)
}

// BenchmarkEffect is what each effect costs on a full frame of 1080x1920 as the page puts it on, and, where
// it is bent or drawn out farther, at a strong value too. Its memory is taken from the pool as in a frame.
func BenchmarkEffect(b *testing.B) {
	in, pool, table := filling(), &paint.Pool{}, warm(b)
	run := func(name string, e *effect.Effect, v effect.Values) {
		f := Effected{Effect: e, Values: v, Unit: 0.5, Table: table, TableKey: "warm", only: image.Rect(0, 0, 1080, 1920),
			At: paint.Scale(0.5, 0.5).Then(paint.Translate(540, 960)), Box: effect.Box{W: 2160, H: 3840}}
		b.Run(name, func(b *testing.B) {
			once := func() {
				mine := pool.Get(1080, 1920)
				copy(mine.Pix, in.Picture.Pix)
				b.StartTimer()
				out := f.Apply(paint.NewSheet(mine, 0, 0, 1), true, pool)
				b.StopTimer()
				pool.Put(out.Picture)
			}
			b.StopTimer()
			once()
			b.ResetTimer()
			for range b.N {
				once()
			}
			b.ReportMetric(b.Elapsed().Seconds()*1000/float64(b.N), "ms/frame")
		})
	}
	for _, e := range effect.All {
		run(e.Name, e, begun(e))
		if e.Reach != nil {
			run(e.Name+" strong", e, strong(e))
		}
	}
}

// warm is a table of 17 points a side.
func warm(b *testing.B) *cube.Table {
	var file strings.Builder
	file.WriteString("LUT_3D_SIZE 17\n")
	for i := range 17 * 17 * 17 {
		r, g, bl := float64(i%17)/16, float64(i/17%17)/16, float64(i/289)/16
		fmt.Fprintf(&file, "%.4f %.4f %.4f\n", r*(2-r), g*0.9+r*0.1, bl*bl)
	}
	table, err := cube.Read([]byte(file.String()))
	if err != nil {
		b.Fatal(err)
	}
	return table
}
