package server

import (
	"errors"
	"fmt"
	"math"
	"net"
	"net/http"
	"strconv"
	"strings"
	"time"

	"billow/door"
	"billow/media"
	"billow/store"

	"github.com/gin-gonic/gin"
)

// Visitor is who asks. Accounts and what they may do come in here.
type Visitor struct {
	By string // "loopback", "session" or "token"
	ID string // of the session or token
}

const (
	visitorKey = "billow-visitor"
	cookieName = "billow-session"
	cookieAge  = 30 * 24 * time.Hour
)

// admit lets a request pass whose visitor is known. With an open door all are.
func (s *Server) admit(c *gin.Context) {
	v, err := s.visitor(c)
	switch {
	case err == nil:
		c.Set(visitorKey, v)
	case errors.Is(err, store.ErrNotFound):
		c.AbortWithStatusJSON(http.StatusUnauthorized, problem("signIn", "Sign in first", ""))
	default:
		fail(c, err)
		c.Abort()
	}
}

func (s *Server) visitor(c *gin.Context) (Visitor, error) {
	if !s.Closed {
		return Visitor{By: "loopback"}, nil
	}
	if token, ok := strings.CutPrefix(c.GetHeader("Authorization"), "Bearer "); ok {
		id, err := s.Store.UseToken(c, door.Digest(token))
		return Visitor{"token", id}, err
	}
	secret, err := c.Cookie(cookieName)
	if err != nil {
		return Visitor{}, store.ErrNotFound
	}
	id, err := s.Store.UseSession(c, door.Digest(secret))
	return Visitor{"session", id}, err
}

// doorState tells whether one has to sign in, and whether one has.
func (s *Server) doorState(c *gin.Context) {
	v, err := s.visitor(c)
	if err != nil && !errors.Is(err, store.ErrNotFound) {
		fail(c, err)
		return
	}
	c.JSON(http.StatusOK, gin.H{"closed": s.Closed, "in": err == nil, "session": v.By == "session"})
}

// signIn begins a session for whoever has the pass phrase.
func (s *Server) signIn(c *gin.Context) {
	var in struct {
		Phrase string `json:"phrase"`
	}
	if err := readJSON(c, &in, smallBody); err != nil {
		fail(c, err)
		return
	}
	address := remote(c)
	if wait := s.attempts.Wait(address); wait > 0 {
		tooMany(c, wait)
		return
	}
	kept, err := s.Store.Phrase(c)
	if err != nil {
		fail(c, err)
		return
	}
	// Telling whether it is right costs memory; that is waited for like all else
	// that does.
	free, err := media.Take(c, 64<<20)
	if err != nil {
		fail(c, err)
		return
	}
	right := kept != "" && door.Matches(in.Phrase, kept)
	free()
	if !right {
		s.attempts.Wrong(address)
		if wait := s.attempts.Wait(address); wait > 0 {
			tooMany(c, wait)
			return
		}
		c.JSON(http.StatusForbidden, problem("phrase", "That is not the pass phrase", "phrase"))
		return
	}
	s.attempts.Right(address)
	secret := door.NewSecret()
	if err := s.Store.BeginSession(c, door.Digest(secret), media.Title(c.Request.UserAgent()), address); err != nil {
		fail(c, err)
		return
	}
	s.setCookie(c, secret, cookieAge)
	c.Status(http.StatusNoContent)
}

func tooMany(c *gin.Context, wait time.Duration) {
	seconds := int(math.Ceil(wait.Seconds()))
	c.Header("Retry-After", strconv.Itoa(seconds))
	c.JSON(http.StatusTooManyRequests, problem("attempts", fmt.Sprintf("Too many wrong pass phrases; try again in %d seconds", seconds), "phrase"))
}

func (s *Server) setCookie(c *gin.Context, secret string, age time.Duration) {
	http.SetCookie(c.Writer, &http.Cookie{
		Name: cookieName, Value: secret, Path: "/", MaxAge: int(age.Seconds()), HttpOnly: true, SameSite: http.SameSiteStrictMode,
		Secure: c.Request.TLS != nil || c.GetHeader("X-Forwarded-Proto") == "https",
	})
}

// signOut ends the session of whoever asks.
func (s *Server) signOut(c *gin.Context) {
	if v, err := s.visitor(c); err == nil && v.By == "session" {
		if err := s.Store.EndSession(c, v.ID); err != nil && !errors.Is(err, store.ErrNotFound) {
			fail(c, err)
			return
		}
	}
	s.setCookie(c, "", -time.Second)
	c.Status(http.StatusNoContent)
}

func (s *Server) listSessions(c *gin.Context) {
	list, err := s.Store.Sessions(c)
	if err != nil {
		fail(c, err)
		return
	}
	v, _ := c.MustGet(visitorKey).(Visitor)
	c.JSON(http.StatusOK, gin.H{"sessions": list, "own": v.ID})
}

func (s *Server) endSession(c *gin.Context) {
	if err := s.Store.EndSession(c, c.Param("id")); err != nil {
		fail(c, err)
		return
	}
	c.Status(http.StatusNoContent)
}

// remote is the address that a connection comes from.
func remote(c *gin.Context) string {
	host, _, err := net.SplitHostPort(c.Request.RemoteAddr)
	if err != nil {
		return c.Request.RemoteAddr
	}
	return host
}
