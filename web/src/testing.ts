// What specs share: a component in the application's own surroundings, and made-up facts.
import { mount } from '@vue/test-utils'
import type { Component } from 'vue'
import { createVuetify } from 'vuetify'
import { VBtn } from 'vuetify/components/VBtn'
import type { Schemas } from '@/api/client'

const vuetify = createVuetify({ components: { VBtn }, theme: false })

export function shown(component: Component, props: Record<string, unknown>) {
  return mount(component, {
    props,
    attachTo: document.body,
    global: { plugins: [vuetify], stubs: { RouterLink: true } },
  })
}
export const concept = (key: string, strand = 'Melody'): Schemas['ConceptRead'] => ({
  key,
  name: key,
  strand,
  sign: key,
  prompt: '',
  in_music: true,
  grade: 2,
})
export const section = (name: string): Schemas['SectionRead'] => ({
  id: name,
  name,
  grade: 2,
  upper: 2,
  minutes: 30,
})
