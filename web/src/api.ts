import {
  Problem,
  type Command,
  type ExportPart,
  type CutFound,
  type Layer,
  type NamedLook,
  type Opened,
  type Order,
  type Outcome,
  type Palette,
  type Product,
  type Prop,
  type Reading,
  type Sent,
  type Shape,
  type TableOptions,
  type TableReading,
  type Variant,
  type Varied
} from './types'

// What is done when the server wants one to sign in first.
let knock: () => void = () => undefined
export const whenSignedOut = (f: () => void) => (knock = f)
// Counts sign-ins: what was asked before one and is refused after it means nothing.
let entered = 0

// The server's answers. Every refusal becomes a Problem; status 0 means that
// the server was not reached.
// A file takes as long as it takes; everything else answers soon or not at all.
async function call<T>(method: string, path: string, body?: BodyInit | object): Promise<T> {
  return (await asked<T>(method, path, body)).said
}

interface Failed {
  error?: { message: string; field: string; code: string }
}

interface Answer<T> {
  said: T
  kept: boolean // it was the browser that answered, with what it has kept
}

// asked asks once more when an answer breaks off on its way and asking again changes nothing.
async function asked<T>(method: string, path: string, body?: BodyInit | object): Promise<Answer<T>> {
  try {
    return await askedOnce<T>(method, path, body)
  } catch (e) {
    if (method !== 'GET' || !(e instanceof Problem) || e.code !== 'broken') throw e
    return await askedOnce<T>(method, path, body)
  }
}

async function askedOnce<T>(method: string, path: string, body?: BodyInit | object): Promise<Answer<T>> {
  const before = entered
  const raw = body instanceof Blob || body instanceof FormData || body === undefined
  let answer: Response
  try {
    answer = await fetch(path, {
      method,
      signal: body instanceof Blob ? undefined : AbortSignal.timeout(20000),
      body: raw ? (body as Blob | FormData | undefined) : JSON.stringify(body),
      headers: raw ? {} : { 'Content-Type': 'application/json' }
    })
  } catch {
    throw new Problem('Billow does not answer. Is it still running?', '', 'offline')
  }
  if (answer.ok) {
    try {
      const said = (answer.status === 204 ? undefined : await answer.json()) as T
      return { said, kept: answer.headers.has('X-Kept') }
    } catch {
      throw new Problem('The answer of Billow broke off on its way.', '', 'broken')
    }
  }
  const failed = (await answer.json().catch(() => null)) as Failed | null
  const e = failed?.error
  if (answer.status === 401 && before === entered) knock()
  throw new Problem(e?.message ?? `The server answered ${answer.status}`, e?.field, e?.code, answer.status)
}

// A prop that was brought in, and what is to be known of it.
export interface Brought {
  prop: Prop
  note: string
  layered?: Layered
  opaque?: boolean // it is a picture with its background
}

// A layered picture that was brought in: the pictures of its layers, and the layers that show them.
export interface Layered {
  name: string
  props: Prop[]
  layers: Layer[]
  leftOut: string[] | null // what is not shown as it is meant
}

interface Intake {
  state: 'waiting' | 'running' | 'done' | 'failed' | 'cancelled'
  share: number
  prop: Prop
  note: string
  error: string
}

// brought waits until footage was brought into the form in which it is kept; the browser has sent
// all of it by then.
async function brought(id: string, sent: (share: number, read?: number, stop?: () => void) => void): Promise<Brought> {
  const stop = () => void call('DELETE', `/api/intakes/${id}`).catch(() => undefined)
  for (;;) {
    let now: Intake
    try {
      now = await call<Intake>('GET', `/api/intakes/${id}`)
    } catch (e) {
      if (!(e instanceof Problem) || e.status) throw e
      await new Promise((r) => setTimeout(r, 2000)) // it goes on there meanwhile
      continue
    }
    if (now.state === 'done') return { prop: now.prop, note: now.note }
    if (now.state === 'failed') throw new Problem(now.error, 'file', 'invalid')
    if (now.state === 'cancelled') throw new Problem('', 'file', 'cancelled')
    sent(1, now.share, stop)
    await new Promise((r) => setTimeout(r, 400))
  }
}

// sendFile brings a file in and tells how much of it has been sent, which fetch
// does not know.
export function sendFile(
  file: File,
  sent: (share: number, read?: number, stop?: () => void) => void
): Promise<Brought> {
  const before = entered
  return new Promise((resolve, reject) => {
    const request = new XMLHttpRequest()
    request.open('POST', `/api/props?name=${encodeURIComponent(file.name)}`)
    request.responseType = 'json'
    request.upload.onprogress = (e) => e.lengthComputable && sent(e.loaded / e.total)
    request.onerror = () => reject(new Problem('Billow does not answer. Is it still running?', '', 'offline'))
    request.onload = () => {
      if (request.status === 202)
        return brought((request.response as { intake: string }).intake, sent).then(resolve, reject)
      const opaque = request.getResponseHeader('X-Opaque') === '1'
      if (request.status < 300) {
        const got = request.response as Prop | Layered
        if ('layers' in got) return resolve({ prop: got.props[0], layered: got, note: '' })
        return resolve({ prop: got, opaque, note: '' })
      }
      if (request.status === 401 && before === entered) knock()
      const e = (request.response as Failed | null)?.error
      reject(new Problem(e?.message ?? `The server answered ${request.status}`, e?.field, e?.code, request.status))
    }
    request.send(file)
  })
}

// A thing of the stock shelf.
export interface StockThing {
  id: string
  name: string
  kind: 'backdrop' | 'texture' | 'footage' | 'garnish' | 'tune' | 'sound'
  author: string
  licence: string
  price?: string // a decimal; none is free
  currency: string
  tags: string[]
  colours?: string[]
  w?: number
  h?: number
  seconds?: number
  bytes: number
  use: { layer?: 'photo' | 'cutout'; blend?: Layer['blend'] } // how it goes into a clip
  preview?: string // there is a picture of it; otherwise it is listened to
}

export interface StockPage {
  things: StockThing[]
  page: number
  pages: number
  total: number
}

// takeThing brings a thing of the stock shelf in at its price.
export async function takeThing(t: StockThing, read: (share: number) => void): Promise<Brought> {
  const answer = await call<Prop | { intake: string }>('POST', `/api/stock/${t.id}/take`, {
    price: t.price ?? ''
  })
  if ('intake' in answer) return brought(answer.intake, (_, share) => read(share ?? 0))
  return { prop: answer, note: '' }
}

// What would become of a table of products, and how it was read.
export interface ReadTable {
  separator: string // "" of a workbook
  rows: string[][] // the first ones
  length: number // of all rows
  reading: TableReading
}

// readTable reads a table and changes nothing.
export async function readTable(clip: string, table: Blob, options: TableOptions, separator = ''): Promise<ReadTable> {
  const form = new FormData()
  form.append('table', table, 'table')
  form.append('options', JSON.stringify(options))
  if (separator) form.append('separator', separator)
  return call('POST', `/api/clips/${clip}/range/read`, form)
}

export interface ClipSummary {
  id: string
  name: string
  revision: number
  shape: Shape
  rate: number
  length: string
  updated: string
}

export interface Revision {
  revision: number
  change: string
  at: string
  name: string
}

// Work that was done in one go.
export interface Stretch {
  first: number // revisions
  last: number
  from: string
  to: string
  name: string
  changes: string[]
}

// A prop on the shelf, and the clips that use it.
export interface Shelved {
  prop: Prop
  clips: { id: string; name: string }[]
  opaque: boolean // its picture has no transparent pixel
  cut: string // the cut on the Bench whose photo or result it is
}

// A photo on the Bench, with what is wanted of it and what was made.
export interface PhotoCut {
  id: string
  name: string
  photo: string // hash
  moves: boolean // it is footage
  order: Order
  result: string | null // hash of the cut-out
  at: [number, number] // the pixel of the photo that its upper left one is
  found: Omit<CutFound, 'nothing' | 'needsLook' | 'hasShadow'> | null
  looked: boolean
  changed: boolean // something else is wanted than the result shows
  needsLook: boolean
  clips: { id: string; name: string }[]
  partOf: string // the cut that it is a part of
  shadow: string | null // hash of the photo's shadow, when it is kept
  shadowAt: [number, number] // the pixel of the photo that its upper left one is
}

// A cut that was made, and how many clips show it now.
export type MadeCut = PhotoCut & { prop: Prop; shade: Prop | null; followed: number }

// makeCut makes a cut; of footage it tells what share is done, and how it is stopped.
async function makeCut(id: string, looked: boolean, done: (share: number, stop: () => void) => void): Promise<MadeCut> {
  const answer = await call<MadeCut | { intake: string }>('POST', `/api/cuts/${id}/make`, { looked })
  if (!('intake' in answer)) return answer
  const { prop } = await brought(answer.intake, (_, share, stop) => done(share ?? 0, stop ?? (() => undefined)))
  const cut = await api.cut(id)
  return { ...cut, prop, shade: null, followed: cut.clips.length }
}

// A product of some clip, with its picture, for other clips to choose.
export interface Offered {
  product: Product
  prop: Prop | null
}

// A clip that is made but for what it sells (core/starter).
export interface Starter {
  id: string
  name: string
  says: string
  products: string[] // what each product that it shows is there for
  words: { id: string; label: string; text: string }[]
  seconds: number
}

// What is put into a starter.
export interface Choice {
  starter: string
  name: string
  shape: string
  palette: string
  products: { product: Product; prop: Prop }[]
  words: Record<string, string>
  tune?: Prop
}

export interface Session {
  id: string
  agent: string
  address: string
  seen: string
}

export interface NewClip {
  name: string
  shape: Shape
  rate: number
  length: string
  tempo: number
}

// What the form of a new clip is taken for while it is written.
export interface FormRead {
  length: Reading
  shape: { w: number; h: number; ratio: string; problem?: string }
}

// A brand, and what its colours are for.
export interface Brand {
  id: string
  name: string
  colours: string[]
  fonts: string[]
  logos: string[] // hashes of props
}

export interface Branded extends Brand {
  palette?: Palette
  accents?: string[] // its colours for emphasis, the best first
}

export const api = {
  variants: (clip: string) =>
    call<{ revision: number; follows: boolean; variants: Varied[] }>('GET', `/api/clips/${clip}/variants`),
  exportVariants: (clip: string, only: Variant[], quick: boolean) =>
    call<{ id: string; count: number; left: (Variant & { says: string })[] }>(
      'POST',
      `/api/clips/${clip}/variants/exports`,
      { only, quick }
    ),
  clips: (search: string, sort: string, from: number, deleted: boolean) =>
    asked<{ clips: ClipSummary[]; total: number; deleted: number }>(
      'GET',
      `/api/clips?${new URLSearchParams({ search, sort, from: String(from), deleted: deleted ? '1' : '' })}`
    ),
  form: (said: URLSearchParams) => call<FormRead>('GET', `/api/form?${said}`),
  create: (c: NewClip) => call<{ id: string }>('POST', '/api/clips', c),
  copy: (id: string, name: string, commands: Command[]) =>
    call<{ id: string }>('POST', `/api/clips/${id}/copy`, { name, commands }),
  remove: (id: string) => call<void>('DELETE', `/api/clips/${id}`),
  returnClip: (id: string) => call<void>('POST', `/api/clips/${id}/return`),
  clip: async (id: string) => {
    const { said, kept } = await asked<Opened>('GET', `/api/clips/${id}`)
    return { ...said, kept }
  },
  commands: (id: string, after: number, commands: Sent[]) =>
    call<Outcome>('POST', `/api/clips/${id}/commands`, { after, commands }),
  since: (id: string, after: number) => call<Outcome>('GET', `/api/clips/${id}/commands?after=${after}`),
  revisions: (id: string, before = 0) =>
    call<{ revisions: Revision[]; more: boolean }>('GET', `/api/clips/${id}/revisions?before=${before}`),
  stretches: (id: string, before = 0) =>
    call<{ stretches: Stretch[]; more: boolean }>('GET', `/api/clips/${id}/stretches?before=${before}`),
  revision: (id: string, revision: number) => call<Opened>('GET', `/api/clips/${id}/revisions/${revision}`),
  nameRevision: (id: string, revision: number, name: string) =>
    call<void>('PUT', `/api/clips/${id}/revisions/${revision}/name`, { name }),
  restore: (id: string, revision: number, after: number, command: string) =>
    call<Outcome>('POST', `/api/clips/${id}/restore`, { id: command, revision, after }),
  figures: (hash: string, name: string) =>
    call<{ layers: Layer[]; leftOut: string[] | null }>(
      'GET',
      `/api/props/${hash}/figures?name=${encodeURIComponent(name)}`
    ),
  props: () => call<Shelved[]>('GET', '/api/props'),
  removeProp: (hash: string) => call<void>('DELETE', `/api/props/${hash}`),
  creditProp: (hash: string, credit: string) => call<void>('PUT', `/api/props/${hash}/credit`, { credit }),
  returnProp: (hash: string) => call<void>('POST', `/api/props/${hash}/return`),
  stock: (q: { words: string; kind: string; colour: string; page: number }) =>
    call<StockPage>(
      'GET',
      `/api/stock?${new URLSearchParams({ words: q.words, kind: q.kind, colour: q.colour, page: String(q.page) })}`
    ),
  looks: () => call<NamedLook[]>('GET', '/api/looks'),
  putLook: (l: NamedLook) => call<void>('PUT', `/api/looks/${l.id}`, l),
  removeLook: (id: string) => call<void>('DELETE', `/api/looks/${id}`),
  brands: () => call<Branded[]>('GET', '/api/brands'),
  putBrand: (b: Brand) => call<void>('PUT', `/api/brands/${b.id}`, b),
  removeBrand: (id: string) => call<void>('DELETE', `/api/brands/${id}`),
  cuts: () => call<PhotoCut[]>('GET', '/api/cuts'),
  layPhoto: (photo: string, name: string) => call<PhotoCut>('POST', '/api/cuts', { photo, name }),
  cut: (id: string) => call<PhotoCut>('GET', `/api/cuts/${id}`),
  takeOut: (id: string, order: Order) => call<PhotoCut>('POST', `/api/cuts/${id}/parts`, order),
  orderCut: (id: string, order: Order) => call<void>('PUT', `/api/cuts/${id}/order`, order),
  makeCut,
  removeCut: (id: string) => call<void>('DELETE', `/api/cuts/${id}`),
  returnCut: (id: string) => call<void>('POST', `/api/cuts/${id}/return`),
  products: () => call<Offered[]>('GET', '/api/products'),
  starters: () => call<{ starters: Starter[]; palettes: Palette[]; shapes: string[] }>('GET', '/api/starters'),
  fromStarter: (c: Choice) => call<{ id: string }>('POST', '/api/starters', c),
  starterPicture: async (c: Choice) => {
    const headers = { 'Content-Type': 'application/json' }
    const answer = await fetch('/api/starters/preview', { method: 'POST', headers, body: JSON.stringify(c) })
    if (answer.ok) return answer.blob()
    const e = ((await answer.json().catch(() => null)) as Failed | null)?.error
    throw new Problem(e?.message ?? `The server answered ${answer.status}`, e?.field, e?.code, answer.status)
  },
  importBundle: (file: File) => call<{ id: string }>('POST', '/api/bundles', file),
  exports: (id: string) => call<ExportPart[]>('GET', `/api/clips/${id}/exports`),
  export: (id: string, shapes: string[], quick: boolean, silent: boolean) =>
    call<{ id: string }>('POST', `/api/clips/${id}/exports`, { shapes, quick, silent }),
  cancel: (exportId: string) => call<void>('POST', `/api/exports/${exportId}/cancel`),
  door: () => call<{ closed: boolean; in: boolean; session: boolean }>('GET', '/api/door'),
  signIn: async (phrase: string) => {
    await call<void>('POST', '/api/door', { phrase })
    entered++
  },
  signOut: () => call<void>('DELETE', '/api/door'),
  sessions: () => call<{ sessions: Session[]; own: string }>('GET', '/api/sessions'),
  endSession: (id: string) => call<void>('DELETE', `/api/sessions/${id}`),
  bytes: async (path: string) => {
    const before = entered
    const answer = await fetch(path)
    if (answer.status === 401 && before === entered) knock()
    if (!answer.ok) throw new Problem('A file of the clip is missing on the server', '', 'missing', answer.status)
    return new Uint8Array(await answer.arrayBuffer())
  }
}
