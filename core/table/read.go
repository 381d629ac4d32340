package table

import (
	"errors"
	"fmt"
	"reflect"
	"slices"
	"strconv"
	"strings"

	"billow/core/clip"
	"billow/core/naming"
	"billow/core/offer"
)

// Options are how a table is read. What is not given is found out.
type Options struct {
	Header   *bool    `json:"header,omitempty"`   // whether the first row says what is in the columns
	Columns  []string `json:"columns,omitempty"`  // what is in each; "" is left out
	Point    string   `json:"point,omitempty"`    // before decimals: "." or ","
	Currency string   `json:"currency,omitempty"` // of rows that name none; none is that of the range
	Onto     []string `json:"onto,omitempty"`     // products that the rows change, in their order; further rows are new ones
	Exactly  bool     `json:"exactly,omitempty"`  // rows change what they are laid onto, and nothing that is called alike
}

// Fault is a cell that cannot be taken, or a doubt about a row that can.
type Fault struct {
	Row    int    `json:"row"` // from 1, as the table has it, with its header
	Column int    `json:"column"`
	Says   string `json:"says"`
	Doubt  bool   `json:"doubt,omitempty"` // the row is taken all the same
}

// Reading is what would become of a table.
type Reading struct {
	Header   bool     `json:"header"`
	Columns  []string `json:"columns"`
	Headings []string `json:"headings"`
	Point    string   `json:"point"` // "" where each cell is read by itself
	Currency string   `json:"currency"`

	Named    []string       `json:"named"`    // all products that rows are of, in their order
	Products []clip.Product `json:"products"` // those that would be changed or added, of rows without faults
	From     []int          `json:"from"`     // the row of each
	Props    []clip.Prop    `json:"props"`    // from the shelf, that they show
	Added    int            `json:"added"`
	Changed  int            `json:"changed"`
	Same     int            `json:"same"` // rows that say what is there already
	Faults   []Fault        `json:"faults"`
}

// mostFaults is how many are told.
const mostFaults = 200

// Read tells what would become of the rows of a table in a clip's range. shelf are pictures that the
// clip does not have and could.
func Read(rows [][]string, c *clip.Clip, shelf []clip.Prop, opt Options) (Reading, error) {
	if len(rows) == 0 {
		return Reading{}, errors.New("the table is empty")
	}
	with := *c
	with.Props = slices.Clone(c.Props) // and what comes from the shelf
	r := reader{clip: &with, shelf: shelf, rows: rows, opt: opt}
	r.Header = headed(rows[0])
	if opt.Header != nil {
		r.Header = *opt.Header
	}
	if err := r.columns(); err != nil {
		return Reading{}, err
	}
	if r.Point = opt.Point; r.Point == "" {
		r.Point = r.pointOf()
	}
	r.Currency = opt.Currency
	if r.Currency == "" {
		r.Currency = currencyOf(c)
	}
	r.index()
	for i, row := range rows {
		if i > 0 || !r.Header {
			r.row(i, row)
		}
	}
	if n := len(c.Products) + r.Added; n > clip.MaxProducts {
		return Reading{}, fmt.Errorf("a range has at most %d products; with this table it would have %d", clip.MaxProducts, n)
	}
	return r.Reading, nil
}

// index notes which IDs are taken, and which products a name means.
func (r *reader) index() {
	r.taken, r.named, r.byName, r.seen = map[string]bool{}, map[string][]*clip.Product{}, map[string]int{}, map[string]bool{}
	for _, p := range r.clip.Props {
		r.taken[p.ID] = true
	}
	for i := range r.clip.Layers {
		r.taken[r.clip.Layers[i].ID] = true
	}
	for i := range r.clip.Products {
		p := &r.clip.Products[i]
		r.taken[p.ID] = true
		r.named[strings.ToLower(p.Name)] = append(r.named[strings.ToLower(p.Name)], p)
	}
}

type reader struct {
	Reading
	clip   *clip.Clip
	shelf  []clip.Prop
	rows   [][]string
	opt    Options
	taken  map[string]bool            // IDs
	named  map[string][]*clip.Product // of the range, by their names in small letters
	byName map[string]int             // rows, of names
	seen   map[string]bool            // IDs that a row changes
}

// headed tells whether a row heads columns: no cell of it is an amount, and one at least is known.
func headed(row []string) bool {
	known := false
	for _, cell := range row {
		if strings.ContainsAny(cell, "0123456789") && !Known(cell) {
			return false
		}
		known = known || Known(cell)
	}
	return known
}

// columns finds out what is in them.
func (r *reader) columns() error {
	wide := 0
	for _, row := range r.rows {
		wide = max(wide, len(row))
	}
	r.Columns, r.Headings = make([]string, wide), make([]string, wide)
	used := map[string]bool{}
	for i := range wide {
		if r.Header && i < len(r.rows[0]) {
			r.Headings[i] = r.rows[0][i]
		}
		switch {
		case i < len(r.opt.Columns):
			r.Columns[i] = r.opt.Columns[i]
		case len(r.opt.Columns) > 0:
		case r.Header:
			r.Columns[i] = Guess(r.Headings[i])
		default:
			r.Columns[i] = []string{"name", "price", "oldPrice", "currency", "line"}[min(i, 4)]
		}
		if used[r.Columns[i]] && r.Columns[i] != "" {
			if len(r.opt.Columns) > 0 {
				return clip.Fault("columns", "two columns are %q", r.Columns[i])
			}
			r.Columns[i] = ""
		}
		used[r.Columns[i]] = true
	}
	for _, column := range r.Columns {
		field, language, spoken := strings.Cut(column, "@")
		if column == "" || !spoken && isField(field) {
			continue
		}
		if spoken && !offer.Known(language) {
			return clip.Fault("columns", "there is no language %q", language)
		}
		if !isField(field) && clip.CheckField(field) != nil {
			return clip.Fault("columns", "%q cannot be the name of a field: it has letters, digits, - or _", field)
		}
	}
	return nil
}

// pointOf is what stands before decimals in all of the table's amounts; "" where that is not clear.
func (r *reader) pointOf() string {
	points, commas := 0, 0
	for i, row := range r.rows {
		for j, cell := range row {
			if i == 0 && r.Header || !money(r.Columns[j]) {
				continue
			}
			cell = strings.TrimFunc(cell, func(c rune) bool { return !strings.ContainsRune("0123456789", c) })
			at := strings.LastIndexAny(cell, ".,")
			if at < 0 || strings.Count(cell, cell[at:at+1]) > 1 {
				continue
			}
			if after := len(cell) - at - 1; after == 3 && !strings.ContainsAny(cell[:at], ".,") {
				continue // thousands, perhaps
			}
			if cell[at] == '.' {
				points++
			} else {
				commas++
			}
		}
	}
	switch {
	case points > 0 && commas == 0:
		return "."
	case commas > 0 && points == 0:
		return ","
	}
	return ""
}

// currencyOf is the one that most of a range's products have.
func currencyOf(c *clip.Clip) string {
	count, best := map[string]int{}, "EUR"
	for _, p := range c.Products {
		if count[p.Currency]++; count[p.Currency] > count[best] {
			best = p.Currency
		}
	}
	return best
}

func (r *reader) fault(row, column int, doubt bool, format string, a ...any) {
	if len(r.Faults) < mostFaults {
		r.Faults = append(r.Faults, Fault{row + 1, column + 1, fmt.Sprintf(format, a...), doubt})
	}
}

// row reads a row of the table.
func (r *reader) row(i int, row []string) {
	p, was := r.product(i, row)
	before := p
	failed := !r.cells(i, row, &p)
	if p.Name == "" {
		r.fault(i, r.column("name"), false, "it has no name")
		failed = true
	}
	if failed {
		return
	}
	if p.Awaits != "" && p.Awaits != before.Awaits {
		r.fault(i, r.column("prop"), true, "there is no picture %q yet: once it is brought in, it goes here", p.Awaits)
	}
	o, err := offer.New(p.Terms())
	if err == nil {
		err = r.clip.CheckProduct(&p)
	}
	if err != nil {
		r.fault(i, r.blamed(&p), false, "%s", said(err))
		return
	}
	for _, m := range o.Mistakes() {
		r.fault(i, r.column(m.Field), true, "%s", m.Says)
	}
	r.Named = append(r.Named, p.ID)
	switch {
	case was && reflect.DeepEqual(before, p):
		r.Same++
		return
	case was:
		r.Changed++
	default:
		r.Added++
	}
	r.Products, r.From = append(r.Products, p), append(r.From, i+1)
}

// cells puts a row's cells into a product, and tells whether all could be. Amounts come last, since
// they need their currency.
func (r *reader) cells(i int, row []string, p *clip.Product) bool {
	right := true
	for _, amounts := range []bool{false, true} {
		if amounts && !offer.IsCurrency(p.Currency) {
			r.fault(i, r.column("currency"), false, "%q is not a currency: use a code such as EUR", p.Currency)
			return false
		}
		for j, cell := range row {
			column := r.Columns[j]
			if column == "" || money(column) != amounts || column == "currency" && cell == "" {
				continue
			}
			point := byte(0)
			if r.Point != "" {
				point = r.Point[0]
			}
			if err := put(p, column, cell, point, r.picture); err != nil {
				right = false
				r.fault(i, j, false, "%s", said(err))
			}
		}
	}
	return right
}

// said is an error without the field that it names: the cell says that.
func said(err error) string {
	var f *clip.FieldError
	if errors.As(err, &f) {
		return f.Reason
	}
	return err.Error()
}

// product is the one that a row changes, or a new one.
func (r *reader) product(i int, row []string) (p clip.Product, was bool) {
	if at := i - b2i(r.Header); len(r.opt.Onto) > at {
		if p := r.clip.Product(r.opt.Onto[at]); p != nil {
			return *p, true
		}
	}
	name := ""
	if j := r.column("name"); j >= 0 && j < len(row) {
		name = row[j]
	}
	if other, twice := r.byName[name]; twice && name != "" {
		r.fault(i, r.column("name"), true, "row %d has the same name: both are taken, as two products", other+1)
	} else if !r.opt.Exactly {
		for _, p := range r.named[strings.ToLower(name)] {
			if !r.seen[p.ID] {
				r.byName[name], r.seen[p.ID] = i, true
				return *p, true
			}
		}
	}
	r.byName[name] = i
	return clip.Product{ID: r.id(name), Currency: r.Currency}, false
}

func b2i(b bool) int {
	if b {
		return 1
	}
	return 0
}

// id is one that nothing has yet.
func (r *reader) id(name string) string {
	base := naming.Slug(name)
	if base == "" {
		base = "product"
	}
	id := base
	for n := 2; r.taken[id]; n++ {
		id = base + "-" + strconv.Itoa(n)
	}
	r.taken[id] = true
	return id
}

func (r *reader) column(field string) int {
	for j, c := range r.Columns {
		if c == field {
			return j
		}
	}
	return -1
}

// blamed is the column without which a product would be right.
func (r *reader) blamed(p *clip.Product) int {
	for j, column := range r.Columns {
		if column == "" || text(p, column) == nil {
			continue
		}
		q := *p
		if *text(&q, column) = ""; column == "currency" {
			q.Currency = r.Currency
		}
		if _, err := offer.New(q.Terms()); err == nil {
			return j
		}
	}
	return -1
}

// picture finds a picture by the name of its file, in the clip or else on the shelf.
func (r *reader) picture(name string) (string, bool) {
	if id, found := Picture(r.clip.Props, name); found {
		return id, true
	}
	id, found := Picture(r.shelf, name)
	if !found {
		return "", false
	}
	p := r.shelf[slices.IndexFunc(r.shelf, func(p clip.Prop) bool { return p.ID == id })]
	if i := slices.IndexFunc(r.clip.Props, func(has clip.Prop) bool { return has.Hash == p.Hash }); i >= 0 {
		return r.clip.Props[i].ID, true
	}
	p.ID = r.id(p.ID)
	r.clip.Props, r.Props = append(r.clip.Props, p), append(r.Props, p)
	return p.ID, true
}

// Picture finds a picture by its ID or the name of its file, with or without its ending and way,
// whatever its letters' case and whether words are parted by spaces or hyphens.
func Picture(props []clip.Prop, name string) (id string, found bool) {
	want := naming.Bare(name)
	for i := range props {
		if p := &props[i]; p.Picture != nil && (p.ID == name || naming.Bare(p.Name) == want) {
			return p.ID, true
		}
	}
	return "", false
}
