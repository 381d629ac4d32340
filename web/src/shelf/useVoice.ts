import { onBeforeUnmount, ref } from 'vue'

// A recording that is left alone ends by itself.
const longest = 300 // seconds

// useVoice records a voice from the microphone as a WAV file.
export function useVoice() {
  const recording = ref(false)
  const seconds = ref(0)
  let recorder: MediaRecorder | null = null
  let stream: MediaStream | null = null
  let clock = 0

  async function start() {
    if (!navigator.mediaDevices)
      throw new Error('The browser lends no microphone to this page; open it on this machine, or over HTTPS')
    try {
      stream = await navigator.mediaDevices.getUserMedia({ audio: { echoCancellation: false, noiseSuppression: true } })
    } catch {
      throw new Error('The microphone cannot be used: allow it for this page in the browser, and see that one is there')
    }
    const parts: Blob[] = []
    recorder = new MediaRecorder(stream)
    recorder.ondataavailable = (e) => e.data.size && parts.push(e.data)
    const done = new Promise<Blob>((resolve) => {
      if (recorder) recorder.onstop = () => resolve(new Blob(parts, { type: recorder?.mimeType }))
    })
    recorder.start()
    recording.value = true
    seconds.value = 0
    clock = window.setInterval(() => ++seconds.value >= longest && stop(), 1000)
    return wav(await done)
  }

  function stop() {
    clearInterval(clock)
    recording.value = false
    if (recorder?.state === 'recording') recorder.stop()
    for (const t of stream?.getTracks() ?? []) t.stop()
    stream = null
  }

  onBeforeUnmount(stop)
  return { recording, seconds, start, stop }
}

// wav is what was recorded as 16-bit samples of one channel at 48 kHz.
async function wav(blob: Blob) {
  const rate = 48000
  const heard = await new OfflineAudioContext(1, 1, rate).decodeAudioData(await blob.arrayBuffer())
  const channel = heard.getChannelData(0)
  const out = new DataView(new ArrayBuffer(44 + 2 * channel.length))
  const word = (at: number, text: string) => [...text].forEach((c, i) => out.setUint8(at + i, c.charCodeAt(0)))
  word(0, 'RIFF')
  out.setUint32(4, 36 + 2 * channel.length, true)
  word(8, 'WAVEfmt ')
  out.setUint32(16, 16, true)
  out.setUint16(20, 1, true) // PCM
  out.setUint16(22, 1, true) // channels
  out.setUint32(24, rate, true)
  out.setUint32(28, 2 * rate, true)
  out.setUint16(32, 2, true)
  out.setUint16(34, 16, true)
  word(36, 'data')
  out.setUint32(40, 2 * channel.length, true)
  channel.forEach((v, i) => out.setInt16(44 + 2 * i, Math.round(Math.max(-1, Math.min(1, v)) * 32767), true))
  return new File(
    [out.buffer],
    `Voice ${new Date().toISOString().slice(0, 16).replace('T', ' ').replace(':', '.')}.wav`,
    { type: 'audio/wav' }
  )
}
