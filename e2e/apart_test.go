package e2e

import (
	"testing"

	"billow/core/clip"
	"billow/core/motion"
)

// Right and down of a position get keys and easings of their own, and become one again.
func TestRightAndDownAreTakenApart(t *testing.T) {
	u := visit(t, "/clips/"+copyOf(t, 0))
	u.ready()
	u.clickText(".row-line .name", "^Headline$")
	u.clickText("[role=tab]", "^Motion$")
	before := u.stored().Layer("headline").Tracks[clip.Position]
	u.click("[aria-label='Right and down apart']")
	u.waitStored("it is apart", func(c *clip.Clip) bool {
		tracks := c.Layer("headline").Tracks
		return len(tracks[clip.X]) == len(before) && len(tracks[clip.Y]) == len(before) && len(tracks[clip.Position]) == 0
	})
	u.goTo(4)
	u.text(".property .off", "outside, above")
	u.wait("down can be outside above and below only", `[...document.querySelector("[aria-label='Where the down key is'], select[aria-label='Where the down key is']").querySelectorAll('option')].map((o) => o.value).join() === ',above,below'`)
	u.finds("a position that is taken apart")
	// The drift is even while the fall keeps its curve.
	u.eval("void window.billowEditor.run({ type: 'setEase', keys: [{ layer: 'headline', property: 'x', frame: 4 }], ease: { kind: 'linear' } })")
	u.waitStored("they ease apart", func(c *clip.Clip) bool {
		tracks := c.Layer("headline").Tracks
		return tracks[clip.X][0].Ease.Kind == motion.Linear && tracks[clip.Y][0].Ease == before[0].Ease
	})
	u.click("[aria-label='Right and down as one']")
	u.waitStored("it is one again", func(c *clip.Clip) bool {
		k := c.Layer("headline").Tracks[clip.Position]
		return len(k) == len(before) && k[0].Off == "above"
	})
}
