// Hands in place of the syllables that the engraver set in rows under the staff: the row is the hand's height.
import { HANDS, natural } from '@/components/handShapes'

const SVG = 'http://www.w3.org/2000/svg'
const TALL = 1.2 // of the text's own size

/** Replace the text of every hand row by a drawing; `mirrored` as those see it who face the singer. */
export function drawHands(figure: HTMLElement, mirrored: boolean): void {
  figure.querySelectorAll('g.hands-drawn').forEach((one) => one.remove())
  figure.querySelectorAll<SVGTextElement>('.verse.hand text').forEach((text) => {
    const syllable = /^([a-z]+)/.exec(text.textContent?.trim() ?? '')?.[1]
    const paths = syllable ? HANDS[natural(syllable)] : undefined
    if (!paths) return
    const box = text.getBBox()
    const size = (Math.max(box.height, 1) * TALL) / 30
    const hand = document.createElementNS(SVG, 'g')
    hand.setAttribute('class', 'hands-drawn')
    const left = box.x + box.width / 2 - 20 * size
    hand.setAttribute(
      'transform',
      `translate(${mirrored ? left : left + 40 * size} ${box.y + box.height / 2 - 15 * size + (text.closest('.lower') ? box.height * 0.45 : 0)}) scale(${mirrored ? size : -size} ${size})`,
    )
    for (const shape of paths) {
      const path = document.createElementNS(SVG, 'path')
      path.setAttribute('d', shape)
      hand.append(path)
    }
    text.parentNode?.append(hand)
  })
}
