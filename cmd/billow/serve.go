package main
import "github.com/spf13/cobra"
func serveCommand() *cobra.Command { return &cobra.Command{Use:"serve"} }
func workCommand() *cobra.Command { return &cobra.Command{Use:"work"} }
func demoCommand() *cobra.Command { return &cobra.Command{Use:"demo"} }
func bundleCommand() *cobra.Command { return &cobra.Command{Use:"bundle"} }
func importCommand() *cobra.Command { return &cobra.Command{Use:"import"} }
