package server_test

import (
	"archive/zip"
	"bytes"
	"encoding/binary"
	"encoding/json"
	"fmt"
	"io"
	"math"
	"net/http"
	"strings"
	"testing"

	"billow/media"
)

// fetched is what a path answers with.
func fetched(t *testing.T, path string) (*http.Response, []byte) {
	t.Helper()
	answer, err := http.Get(url + path)
	if err != nil {
		t.Fatal(err)
	}
	defer answer.Body.Close()
	body, err := io.ReadAll(answer.Body)
	if err != nil {
		t.Fatal(err)
	}
	return answer, body
}

// loudest is the largest sample of a WAV file of 16 bits, and how many samples a channel it has.
func loudest(wav []byte) (most float64, n int) {
	for i := 44; i+1 < len(wav); i += 2 {
		most = max(most, math.Abs(float64(int16(binary.LittleEndian.Uint16(wav[i:])))))
	}
	return most / 32767, (len(wav) - 44) / 4
}

// TestSoundIsHadByItself: a tone under a clip of two seconds, and once more from its second second on: as WAV it is
// as long as the clip, its stems are each sound alone, and without sounds it says that nothing sounds.
func TestSoundIsHadByItself(t *testing.T) {
	id := newClip(t)
	if answer, body := fetched(t, "/api/clips/"+id+"/sound.wav"); answer.StatusCode != http.StatusUnprocessableEntity || !bytes.Contains(body, []byte("nothing sounds")) {
		t.Errorf("without sounds it answers %d %s", answer.StatusCode, body)
	}
	tone := make([]float32, 2*4*48000)
	for i := range tone {
		tone[i] = 0.25 * float32(math.Sin(2*math.Pi*440*float64(i/2)/48000))
	}
	status, prop := ask(t, "POST", "/api/props?name=tone.wav", media.WAV(tone))
	if status != http.StatusCreated && status != http.StatusOK {
		t.Fatalf("bringing a tone in gives %d %v", status, prop)
	}
	brought, err := json.Marshal(prop)
	if err != nil {
		t.Fatal(err)
	}
	name := prop["id"].(string)
	command := fmt.Sprintf(`{"type":"batch","commands":[{"type":"addProp","prop":%s},{"type":"setClip","loudness":0},
		{"type":"setTune","tune":{"prop":%q,"start":0,"gain":0,"fadeIn":0,"fadeOut":0}},
		{"type":"setSound","id":"bell","sound":{"id":"bell","prop":%q,"at":30,"trim":0,"gain":-6.0206,"fadeIn":0,"fadeOut":0}}]}`, brought, name, name)
	if status, out := ask(t, "POST", "/api/clips/"+id+"/commands", sent(1, command)); status != http.StatusOK {
		t.Fatalf("laying it gives %d %v", status, out)
	}
	answer, wav := fetched(t, "/api/clips/"+id+"/sound.wav")
	// Both are in step: a quarter and an eighth of full scale.
	if most, n := loudest(wav); n != 96000 || math.Abs(most-0.375) > 0.002 || answer.Header.Get("Content-Disposition") == "" {
		t.Errorf("the WAV has %d samples and reaches %.3f", n, most)
	}
	_, packed := fetched(t, "/api/clips/"+id+"/stems.zip")
	z, err := zip.NewReader(bytes.NewReader(packed), int64(len(packed)))
	if err != nil {
		t.Fatal(err)
	}
	if len(z.File) != 2 {
		t.Fatalf("there are %d stems", len(z.File))
	}
	for i, want := range []float64{0.25, 0.125} {
		f, err := z.File[i].Open()
		if err != nil {
			t.Fatal(err)
		}
		stem, err := io.ReadAll(f)
		if err != nil {
			t.Fatal(err)
		}
		if most, n := loudest(stem); n != 96000 || math.Abs(most-want) > 0.002 {
			t.Errorf("%s has %d samples and reaches %.3f, want %.3f", z.File[i].Name, n, most, want)
		}
	}
}

// TestWhoMadeAThingIsSaidOnTheShelf: a credit is kept with what is on the shelf; a long one, and one of what is not
// there, are refused.
func TestWhoMadeAThingIsSaidOnTheShelf(t *testing.T) {
	_, prop := ask(t, "POST", "/api/props?name=hum.wav", media.WAV(make([]float32, 2*48000)))
	hash, _ := prop["hash"].(string)
	for _, x := range []struct {
		hash, credit string
		want         int
	}{
		{hash, "Hum by\n Nonna Bell", http.StatusNoContent}, {hash, strings.Repeat("by and by ", 40), http.StatusUnprocessableEntity},
		{strings.Repeat("0", 64), "Hum by nobody", http.StatusNotFound},
	} {
		body, err := json.Marshal(map[string]string{"credit": x.credit})
		if err != nil {
			t.Fatal(err)
		}
		if status, said := ask(t, "PUT", "/api/props/"+x.hash+"/credit", body); status != x.want {
			t.Errorf("%.20q gives %d %v, want %d", x.credit, status, said, x.want)
		}
	}
	if _, body := fetched(t, "/api/props"); !bytes.Contains(body, []byte("Hum by Nonna Bell")) {
		t.Error("the shelf does not say who made it")
	}
}
