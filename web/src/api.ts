import {
  Problem,
  type ExportPart,
  type Opened,
  type Outcome,
  type Prop,
  type Reading,
  type Sent,
  type Shape
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

// asked tells also whether it was the browser that answered, with what it has kept.
async function asked<T>(method: string, path: string, body?: BodyInit | object): Promise<{ said: T; kept: boolean }> {
  const before = entered
  const raw = body instanceof Blob || body === undefined
  let answer: Response
  try {
    answer = await fetch(path, {
      method,
      signal: body instanceof Blob ? undefined : AbortSignal.timeout(20000),
      body: raw ? (body as Blob | undefined) : JSON.stringify(body),
      headers: raw ? {} : { 'Content-Type': 'application/json' }
    })
  } catch {
    throw new Problem('Billow does not answer. Is it still running?', '', 'offline')
  }
  if (answer.ok) {
    const said = (answer.status === 204 ? undefined : await answer.json()) as T
    return { said, kept: answer.headers.has('X-Kept') }
  }
  const failed = (await answer.json().catch(() => null)) as {
    error?: { message: string; field: string; code: string }
  } | null
  const e = failed?.error
  if (answer.status === 401 && before === entered) knock()
  throw new Problem(e?.message ?? `The server answered ${answer.status}`, e?.field, e?.code, answer.status)
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

export const api = {
  clips: (search: string, sort: string, from: number) =>
    asked<{ clips: ClipSummary[]; total: number }>(
      'GET',
      `/api/clips?${new URLSearchParams({ search, sort, from: String(from) })}`
    ),
  form: (said: URLSearchParams) => call<FormRead>('GET', `/api/form?${said}`),
  create: (c: NewClip) => call<{ id: string }>('POST', '/api/clips', c),
  remove: (id: string) => call<void>('DELETE', `/api/clips/${id}`),
  clip: async (id: string) => {
    const { said, kept } = await asked<Opened>('GET', `/api/clips/${id}`)
    return { ...said, kept }
  },
  commands: (id: string, after: number, commands: Sent[]) =>
    call<Outcome>('POST', `/api/clips/${id}/commands`, { after, commands }),
  since: (id: string, after: number) => call<Outcome>('GET', `/api/clips/${id}/commands?after=${after}`),
  revisions: (id: string, before = 0) =>
    call<{ revisions: Revision[]; more: boolean }>('GET', `/api/clips/${id}/revisions?before=${before}`),
  restore: (id: string, revision: number, after: number, command: string) =>
    call<Outcome>('POST', `/api/clips/${id}/restore`, { id: command, revision, after }),
  upload: (file: File) => call<Prop>('POST', `/api/props?name=${encodeURIComponent(file.name)}`, file),
  props: () => call<Prop[]>('GET', '/api/props'),
  importBundle: (file: File) => call<{ id: string }>('POST', '/api/bundles', file),
  exports: (id: string) => call<ExportPart[]>('GET', `/api/clips/${id}/exports`),
  export: (id: string, shapes: string[], quick: boolean) =>
    call<{ id: string }>('POST', `/api/clips/${id}/exports`, { shapes, quick }),
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
