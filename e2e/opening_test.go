package e2e

import (
	"testing"

	"billow/core/clip"

	"github.com/go-rod/rod"
	"github.com/go-rod/rod/lib/proto"
)

// What is done while a clip's pictures are still being read is sent.
func TestAnEditWhilePicturesAreStillReadIsSent(t *testing.T) {
	path := "/clips/" + copyOf(t, 0)
	u := visit(t, path)
	u.ready()
	held := make(chan struct{})
	router := u.page.HijackRequests()
	u.must("holding pictures back", router.Add("*/api/files/*", "", func(h *rod.Hijack) {
		<-held
		h.ContinueRequest(&proto.FetchContinueRequest{})
	}))
	go router.Run()
	defer func() { _ = router.Stop() }()
	u.must("opening it anew", u.page.Reload())
	u.wait("the clip is shown", "window.billowEditor?.clip?.name === 'Lantern weekend' && document.querySelector('.row-line .name')")
	u.eval("{ window.billowEditor.run({ type: 'setLight', set: { direction: -50 } }) }")
	close(held)
	u.waitStored("the light", func(c *clip.Clip) bool { return c.Light.Direction == -50 })
}
