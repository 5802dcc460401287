// What this device remembers: day or night, single keys, volume, whether the screen is private, on what songs are played.
import { reactive, watch } from 'vue'
import type { Instrument } from './useBank'

export interface Device {
  night: boolean
  keys: boolean
  volume: number
  mine: boolean
  instrument: Instrument
  paper: 'A4' | 'letter'
  /** How late it tells a tap, in milliseconds; measured by tapping along. */
  delay: number
}

const KEPT = 'kopje-device'
const usual: Device = {
  night: false,
  keys: true,
  volume: 0.5,
  mine: false,
  instrument: 'piano',
  paper: 'A4',
  delay: 0,
}

function remembered(): Device {
  try {
    return { ...usual, ...(JSON.parse(localStorage.getItem(KEPT) ?? '{}') as Partial<Device>) }
  } catch {
    return { ...usual } // unreadable settings of a device are worth no more than the usual ones
  }
}

export const device = reactive(remembered())

watch(
  device,
  (now) => {
    localStorage.setItem(KEPT, JSON.stringify(now))
    document.documentElement.dataset.theme = now.night ? 'night' : 'day'
  },
  { immediate: true },
)
