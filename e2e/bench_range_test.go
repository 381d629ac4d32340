package e2e

import (
	"bytes"
	"context"
	"encoding/binary"
	"fmt"
	"hash/crc32"
	"io"
	"net/http"
	"net/url"
	"os"
	"path/filepath"
	"sync"
	"sync/atomic"
	"testing"
	"time"

	"billow/core/clip"
	"billow/media"
)

// distinct is a PNG file with a comment, which makes it another file.
func distinct(file []byte, comment string) []byte {
	chunk := append([]byte("tEXtComment\x00"), comment...)
	var out bytes.Buffer
	out.Write(file[:33]) // the signature and IHDR
	_ = binary.Write(&out, binary.BigEndian, uint32(len(chunk)-4))
	out.Write(chunk)
	_ = binary.Write(&out, binary.BigEndian, crc32.ChecksumIEEE(chunk))
	out.Write(file[33:])
	return out.Bytes()
}

// vast is the clip of the range with so many products, each with a picture of its own in full
// size; of these there are coarse copies, as since they were brought in, or not yet.
func vast(b *testing.B, products int, copies bool) (id string) {
	b.Helper()
	files, err := filepath.Glob("../demo/pictures/*.png")
	if err != nil || len(files) == 0 {
		b.Fatal(err)
	}
	var props []clip.Prop
	var pictures, coarse [][]byte
	for _, name := range files {
		file, err := os.ReadFile(name)
		if err != nil {
			b.Fatal(err)
		}
		spool, err := media.NewSpool(bytes.NewReader(file), int64(len(file)))
		if err != nil {
			b.Fatal(err)
		}
		p, kept, err := media.Examine(b.Context(), filepath.Base(name), spool, media.DefaultLimits())
		if err != nil {
			b.Fatal(err)
		}
		kept.Close()
		props, pictures, coarse = append(props, p), append(pictures, file), append(coarse, kept.Coarse)
	}
	c := site.World.Clips[len(site.World.Clips)-1].Clip.Clone()
	c.Name = "A vast range"
	portrait, _ := clip.StandardShape("portrait")
	c.Shapes = append(c.Shapes, portrait)
	c.Products, c.Variants = nil, &clip.Variants{}
	for i := range products {
		p := props[i%len(props)]
		file := distinct(pictures[i%len(props)], fmt.Sprint(products, i, copies))
		p.ID, p.Hash = fmt.Sprintf("picture-%d", i), media.Hash(file)
		var copy []byte
		if copies {
			copy = coarse[i%len(props)]
		}
		if err := site.Store.Keep(context.Background(), p, bytes.NewReader(file), copy); err != nil {
			b.Fatal(err)
		}
		c.Props = append(c.Props, p)
		c.Products = append(c.Products, clip.Product{
			ID: fmt.Sprintf("product-%d", i), Name: fmt.Sprintf("Camp thing %d", i+1), Line: "For the days outside", Price: fmt.Sprintf("%d.90", i+5), OldPrice: fmt.Sprintf("%d.00", i+9), Currency: "EUR", Prop: p.ID,
		})
		c.Variants.Products = append(c.Variants.Products, c.Products[i].ID)
	}
	c.Shown = c.Products[0].ID
	id = fmt.Sprintf("vast-%d-%d", products, time.Now().UnixNano())
	if err := site.Store.CreateClip(context.Background(), id, c, "Made"); err != nil {
		b.Fatal(err)
	}
	return id
}

// BenchmarkPosters draws the posters of 200 products in four shapes, each product with a picture of
// its own of 1600 pixels: with the coarse copies that are made when a picture is brought in, and
// without.
func BenchmarkPosters(b *testing.B) {
	b.Run("copies", func(b *testing.B) { posters(b, true) })
	b.Run("whole", func(b *testing.B) { posters(b, false) })
}

func posters(b *testing.B, copies bool) {
	for range b.N {
		id := vast(b, 200, copies)
		st, err := site.Store.State(context.Background(), id)
		if err != nil {
			b.Fatal(err)
		}
		all := st.Clip.EachVariant()
		began := time.Now()
		var next atomic.Int64
		var work sync.WaitGroup
		for range 6 { // as many as a browser asks for at once
			work.Go(func() {
				for i := int(next.Add(1)) - 1; i < len(all); i = int(next.Add(1)) - 1 {
					v := all[i]
					answer, err := http.Get(site.URL + "/api/clips/" + id + "/variants/poster.jpg?" + url.Values{"product": {v.Product}, "shape": {v.Shape}}.Encode())
					if err != nil {
						b.Error(err)
						return
					}
					if n, err := io.Copy(io.Discard, answer.Body); err != nil || n < 1000 || answer.StatusCode != http.StatusOK {
						b.Errorf("%s gives %d and %d bytes, %v", v.ID(), answer.StatusCode, n, err)
					}
					answer.Body.Close()
				}
			})
		}
		work.Wait()
		b.ReportMetric(float64(len(all)), "posters")
		b.ReportMetric(time.Since(began).Seconds(), "s")
		began = time.Now()
		answer, err := http.Get(site.URL + "/api/clips/" + id + "/variants")
		if err != nil || answer.StatusCode != http.StatusOK {
			b.Fatal(answer, err)
		}
		answer.Body.Close()
		b.ReportMetric(time.Since(began).Seconds(), "s-looking-over")
	}
}

// scrolls counts the pictures a second while something scrolls by a third of a row each.
func (u *user) scrolls(selector string) {
	b := u.t.(*testing.B)
	r, err := u.page.Eval(`(selector) => new Promise((done) => {
		const el = document.querySelector(selector)
		const times = []
		let last = 0
		const step = (now) => {
			if (last) times.push(now - last)
			last = now
			el.scrollTop += 24
			if (times.length < 300) requestAnimationFrame(step)
			else {
				times.sort((a, b) => a - b)
				done([300000 / times.reduce((a, b) => a + b, 0), times[150], times[285], times[299]])
			}
		}
		requestAnimationFrame(step)
	})`, selector)
	u.must("scrolling", err)
	for i, unit := range []string{"fps", "ms-p50", "ms-p95", "ms-longest"} {
		b.ReportMetric(r.Value.Get(fmt.Sprint(i)).Num(), unit)
	}
}

// BenchmarkSheetScrolls scrolls the sheet of 2,000 products.
func BenchmarkSheetScrolls(b *testing.B) {
	c := site.World.Clips[len(site.World.Clips)-1].Clip.Clone()
	first := c.Products[0]
	for i := range 2000 - len(c.Products) {
		p := first
		p.ID, p.Name = fmt.Sprintf("more-%d", i), fmt.Sprintf("More of it %d", i)
		c.Products = append(c.Products, p)
	}
	id := fmt.Sprintf("sheet-%d", time.Now().UnixNano())
	if err := site.Store.CreateClip(context.Background(), id, c, "Made"); err != nil {
		b.Fatal(err)
	}
	for range b.N {
		u := visit(b, "/clips/"+id+"/range")
		u.text(".range .count", "2000 products")
		u.wait("the rows are there", "document.querySelectorAll('[role=grid] .row').length > 10")
		u.scrolls("[role=grid]")
		r, err := u.page.Eval(`async () => {
			const began = performance.now()
			await window.billowEditor.run({ type: 'setProduct', product: { ...window.billowEditor.clip.products[5], price: '7.77' } })
			await new Promise((r) => requestAnimationFrame(() => setTimeout(r)))
			return performance.now() - began
		}`)
		u.must("changing a price", err)
		b.ReportMetric(r.Value.Num(), "ms-a-change")
	}
}

// BenchmarkVariantsScroll scrolls the grid of 200 products in four shapes.
func BenchmarkVariantsScroll(b *testing.B) {
	for range b.N {
		u := visit(b, "/clips/"+vast(b, 200, true)+"/variants")
		u.text(".variants .count", "800")
		u.wait("they are looked over", "!document.querySelector('.variants .looking') && document.querySelectorAll('.row img').length > 0")
		u.scrolls("[role=grid]")
	}
}
