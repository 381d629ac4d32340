package e2e

import (
	"testing"

	"billow/core/clip"

	"github.com/go-rod/rod/lib/input"
)

func TestALengthIsReadAloudAndWhatWasMeantIsOffered(t *testing.T) {
	u, _ := worded(t)
	u.clickText("[role=tab]", "^Clip and light$")
	u.into("input[aria-label='Length of the clip']")
	u.keys("8")
	u.text(".reading", "8 frames, 0s08f")
	u.clickText(".reading button", "8s00f")
	u.waitStored("eight seconds", func(c *clip.Clip) bool { return c.Length == 240 })
	u.wait("the field says so", "document.querySelector(\"input[aria-label='Length of the clip']\").value === '8s00f'")

	u.into("input[aria-label=Time]")
	u.keys("b2")
	u.text(".reading", "frame 60, 2s00f, b2.1")
	u.press(input.Enter)
	u.wait("the playhead is there", "window.billowEditor.frame === 60")
}

// A clip that is made shorter than its motion asks what becomes of the rest.
func TestShorteningAClipPastItsKeysAsks(t *testing.T) {
	u, _ := worded(t)
	last := func(c *clip.Clip) int {
		track := headline(c).Tracks[clip.Position]
		return c.Clock().Frame(track[len(track)-1].At)
	}
	for _, frame := range []int{10, 40} {
		u.goTo(frame)
		u.press('k')
		u.saved()
	}
	u.clickText("[role=tab]", "^Clip and light$")
	shorten := func() {
		u.into("input[aria-label='Length of the clip']")
		u.keys("1s")
		u.press(input.Enter)
		u.text(".shorter", "3 keys of Headline would lie past 1s00f")
	}
	shorten()
	u.clickText(".shorter button", "^Stay at 2s00f")
	u.wait("the length is what it was", "window.billowEditor.view.length === 60")
	shorten()
	u.clickText(".shorter button", "^Bring it before the end")
	u.waitStored("the last key before the end", func(c *clip.Clip) bool { return c.Length == 30 && last(c) == 29 })
	u.click("[aria-label=Undo]")
	u.waitStored("it taken back", func(c *clip.Clip) bool { return c.Length == 60 && last(c) == 40 })
}

func TestACustomShapeTakesARatioAndOneSide(t *testing.T) {
	u := visit(t, "/")
	u.clickText("button", "^New clip$")
	u.text("legend", "Shape")
	u.keys("Odd one") // as soon as the dialog is there
	u.press(input.Enter)
	u.text(".modal.show legend", "Shape")
	u.clickText(".modal.show .shape", "Custom")
	u.into(".modal.show input[placeholder='4:5']")
	u.keys("2:3")
	u.wait("the height follows", "document.querySelector('#new-clip-h').value === '1620'")
	u.into("#new-clip-h")
	u.keys("900")
	u.text(".modal.show .says", "600 by 900 pixels, 2:3")
	u.into(".modal.show input[aria-describedby=length-help]")
	u.keys("4")
	u.text("#length-help", "4 frames, 0s04f")
	u.clickText(".modal.show .offer", "4s00f")
	u.clickText(".modal.show button", "Create the clip")
	u.ready()
	u.waitStored("the clip", func(c *clip.Clip) bool {
		return c.Name == "Odd one" && c.Shapes[0].W == 600 && c.Shapes[0].H == 900 && c.Length == 120
	})
}
