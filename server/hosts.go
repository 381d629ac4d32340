package server

import (
	"net"
	"net/http"
	"net/netip"
	"strings"

	"github.com/gin-gonic/gin"
)

// A page of another site that lets its own name point here could read
// everything as if it were ours. So only names that are ours are answered:
// those of loopback, those that were configured, and the very address at which
// a connection arrived.
func (s *Server) ours(c *gin.Context) {
	host := c.Request.Host
	if name, _, err := net.SplitHostPort(host); err == nil {
		host = name
	}
	host = strings.ToLower(strings.TrimSuffix(strings.Trim(host, "[]"), "."))
	if IsLoopback(host) || arrivedAt(c, host) {
		return
	}
	for _, own := range s.Hosts {
		if host == strings.ToLower(own) {
			return
		}
	}
	c.AbortWithStatusJSON(http.StatusMisdirectedRequest,
		problem("host", "This Billow does not answer under that name; start it with --host to let it", ""))
}

// IsLoopback tells whether a host is this machine seen from itself.
func IsLoopback(host string) bool {
	if host == "localhost" {
		return true
	}
	ip, err := netip.ParseAddr(host)
	return err == nil && ip.Unmap().IsLoopback()
}

// arrivedAt tells whether a host is the address at which the connection came
// in: no other site's name can be that.
func arrivedAt(c *gin.Context, host string) bool {
	at, ok := c.Request.Context().Value(http.LocalAddrContextKey).(*net.TCPAddr)
	ip, err := netip.ParseAddr(host)
	return ok && err == nil && ip.Unmap() == at.AddrPort().Addr().Unmap()
}
