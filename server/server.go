// Package server answers the page: clips and commands, files, exports. Rules
// are in core; here is only what has to do with HTTP.
package server

import (
	"context"
	"errors"
	"io/fs"
	"log/slog"
	"net"
	"net/http"
	"strings"
	"sync"
	"time"
	"unicode/utf8"

	"billow/core/frame"
	"billow/door"
	"billow/export"
	"billow/media"
	"billow/stock"
	"billow/store"

	"github.com/gin-contrib/gzip"
	"github.com/gin-gonic/gin"
)

// Server is what requests are answered from.
type Server struct {
	Store  *store.Store
	Queue  *export.Queue
	Drawer *export.Drawer
	Limits media.Limits
	Stock  stock.Provider // where backdrops, footage and more are fetched from
	Page   fs.FS
	Hosts  []string // names under which it answers, beside those of loopback
	Closed bool     // whether one has to sign in

	posters  *drawn
	films    *drawn
	drawing  *export.Posters // of variants
	variants *drawn          // their posters
	small    *drawn          // numbers that take long to find
	fonts    func() *frame.Library
	watch    watch
	attempts door.Attempts
	ffmpeg   checked
	sounds   chan struct{} // tunes that are decoded at the moment
}

// Handler is all routes.
func (s *Server) Handler() http.Handler {
	gin.SetMode(gin.ReleaseMode)
	s.Store.Changed = s.watch.tell
	s.posters, s.films, s.sounds = newDrawn(posterBytes), newDrawn(filmBytes), make(chan struct{}, 4)
	s.variants, s.small, s.fonts = newDrawn(variantBytes), newDrawn(1<<16), sync.OnceValue(export.Library)
	s.variants.one = make(chan struct{}, 4) // drawn by a process that draws several at once
	s.drawing = &export.Posters{Drawer: s.Drawer, Database: s.Store.URL}
	r := gin.New()
	r.ContextWithFallback = true // what is asked for a client ends when it goes
	r.Use(recovered, headers, s.ours, readable)
	r.GET("/healthz", s.health)
	r.GET("/api/door", s.doorState)
	r.POST("/api/door", s.signIn)
	r.DELETE("/api/door", s.signOut)
	s.routes(r.Group("/api", s.admit))
	r.NoRoute(s.page)
	return &handler{patient(http.NewCrossOriginProtection().Handler(r), usualPace), r}
}

// routes are those for which one has to be let in.
func (s *Server) routes(api *gin.RouterGroup) {
	packed := gzip.Gzip(gzip.DefaultCompression)
	api.GET("/clips", packed, s.listClips)
	api.POST("/clips", s.createClip)
	api.GET("/clips/:id", packed, s.getClip)
	api.GET("/form", packed, s.form)
	api.DELETE("/clips/:id", s.deleteClip)
	api.GET("/clips/:id/commands", packed, s.getCommands)
	api.POST("/clips/:id/commands", s.postCommands)
	api.GET("/clips/:id/events", s.clipEvents)
	api.GET("/clips/:id/revisions", packed, s.listRevisions)
	api.GET("/clips/:id/revisions/:revision", packed, s.getRevision)
	api.PUT("/clips/:id/revisions/:revision/name", s.nameRevision)
	api.GET("/clips/:id/revisions/:revision/poster.jpg", s.posterAt)
	api.GET("/clips/:id/stretches", packed, s.listStretches)
	api.POST("/clips/:id/restore", s.restore)
	api.GET("/clips/:id/poster.jpg", s.poster)
	api.GET("/clips/:id/film.mp4", s.film)
	api.POST("/clips/:id/copy", s.copyClip)
	api.POST("/clips/:id/return", s.returnClip)
	api.GET("/clips/:id/bundle.zip", s.getBundle)
	api.POST("/clips/:id/range/read", packed, s.readTable)
	api.GET("/clips/:id/range.csv", s.writeTable)
	api.POST("/bundles", s.importBundle)
	api.POST("/props", s.uploadProp)
	api.GET("/props", packed, s.listProps)
	api.GET("/intakes/:id", s.getIntake)
	api.DELETE("/intakes/:id", s.cancelIntake)
	api.DELETE("/props/:hash", s.removeProp)
	api.POST("/props/:hash/return", s.returnProp)
	api.PUT("/props/:hash/credit", s.creditProp)
	api.GET("/props/:hash/figures", packed, s.getFigures)
	api.GET("/cuts", packed, s.listCuts)
	api.POST("/cuts", s.layPhoto)
	api.GET("/cuts/:id", packed, s.getCut)
	api.PUT("/cuts/:id/order", s.orderCut)
	api.POST("/cuts/:id/parts", s.takeOut)
	api.POST("/cuts/:id/make", s.makeCut)
	api.DELETE("/cuts/:id", s.removeCut)
	api.POST("/cuts/:id/return", s.returnCut)
	api.GET("/products", packed, s.listProducts)
	api.GET("/brands", packed, s.listBrands)
	api.PUT("/brands/:id", s.putBrand)
	api.DELETE("/brands/:id", s.removeBrand)
	api.GET("/stock", packed, s.searchStock)
	api.GET("/stock/:id/preview", s.previewStock)
	api.POST("/stock/:id/take", s.takeStock)
	api.GET("/looks", packed, s.listLooks)
	api.PUT("/looks/:id", s.putLook)
	api.DELETE("/looks/:id", s.removeLook)
	api.GET("/starters", packed, s.listStarters)
	api.POST("/starters", s.createFromStarter)
	api.POST("/starters/preview", s.previewStarter)
	api.GET("/files/:hash", s.getFile)
	api.GET("/files/:hash/small", s.getSmall)
	api.GET("/files/:hash/parts/:n", s.getPart)
	api.GET("/files/:hash/strip", s.getStrip)
	api.GET("/files/:hash/frames/:n", s.getFrame)
	api.GET("/files/:hash/sound", s.getSound)
	api.GET("/clips/:id/variants", packed, s.listVariants)
	api.GET("/clips/:id/variants/poster.jpg", s.variantPoster)
	api.POST("/clips/:id/variants/exports", s.exportVariants)
	api.GET("/clips/:id/variants/exports/events", s.variantExportEvents)
	api.GET("/exports/:id", s.downloadVariants)
	api.GET("/clips/:id/sound.wav", s.clipSound)
	api.GET("/clips/:id/stems.zip", s.clipStems)
	api.GET("/clips/:id/exports", packed, s.listExports)
	api.POST("/clips/:id/exports", s.createExport)
	api.GET("/clips/:id/exports/events", s.exportEvents)
	api.POST("/exports/:id/cancel", s.cancelExport)
	api.GET("/exports/:id/:file", s.download)
	api.GET("/sessions", s.listSessions)
	api.DELETE("/sessions/:id", s.endSession)
}

// Serve answers on a listener until the context ends, then lets requests finish.
func (s *Server) Serve(ctx context.Context, l net.Listener) error {
	streams, end := context.WithCancel(context.Background())
	defer end()
	h := &http.Server{
		Handler: s.Handler(), ReadHeaderTimeout: 10 * time.Second, IdleTimeout: 2 * time.Minute, MaxHeaderBytes: 64 << 10,
		BaseContext: func(net.Listener) context.Context { return streams },
	}
	go func() {
		<-ctx.Done()
		end() // event streams would never finish by themselves
	}()
	defer func() { s.drawing.Close() }()
	stopped := make(chan error, 1)
	go func() {
		<-ctx.Done()
		patience, cancel := context.WithTimeout(context.Background(), 3*time.Second)
		defer cancel()
		err := h.Shutdown(patience)
		if errors.Is(err, context.DeadlineExceeded) {
			err = h.Close() // who has not got everything by now asks again
		}
		stopped <- err
	}()
	if err := h.Serve(l); !errors.Is(err, http.ErrServerClosed) {
		return err
	}
	return <-stopped
}

// headers keeps the page from loading or doing anything but its own.
func headers(c *gin.Context) {
	h := c.Writer.Header()
	h.Set("Content-Security-Policy", "default-src 'none'; script-src 'self' 'wasm-unsafe-eval'; worker-src 'self'; "+
		"connect-src 'self'; img-src 'self' blob: data:; font-src 'self'; style-src 'self'; style-src-attr 'unsafe-inline'; "+
		"media-src 'self' blob:; base-uri 'none'; form-action 'none'; frame-ancestors 'none'")
	h.Set("X-Content-Type-Options", "nosniff")
	h.Set("Referrer-Policy", "no-referrer")
	h.Set("Cross-Origin-Opener-Policy", "same-origin")
}

// readable refuses addresses that hold what is no text: nothing has such a name.
func readable(c *gin.Context) {
	for _, p := range c.Params {
		if !utf8.ValidString(p.Value) || strings.ContainsRune(p.Value, 0) {
			c.AbortWithStatusJSON(http.StatusNotFound, problem("missing", store.ErrNotFound.Error(), ""))
			return
		}
	}
}

// recovered turns a bug into an answer and leaves the server running.
func recovered(c *gin.Context) {
	defer func() {
		if p := recover(); p != nil {
			if p == http.ErrAbortHandler {
				panic(p) // the connection is cut on purpose
			}
			slog.Error("a request failed", "path", c.Request.URL.Path, "panic", p)
			if !c.Writer.Written() {
				c.AbortWithStatusJSON(http.StatusInternalServerError, problem("internal", "Something went wrong in Billow itself; nothing was changed", ""))
			}
		}
	}()
	c.Next()
}

// Routes lists what a handler that Handler has made answers.
func Routes(h http.Handler) gin.RoutesInfo { return h.(*handler).engine.Routes() }

// handler is the router with all that stands before it.
type handler struct {
	http.Handler
	engine *gin.Engine
}
