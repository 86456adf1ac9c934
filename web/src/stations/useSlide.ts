import type { ShallowRef } from 'vue';

/** Keys of a slider, in steps. */
const STEPS: Record<string, number> = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1, PageUp: 10, PageDown: -10 };

/**
 * Sets a figure by dragging in a drawing, by mouse or finger, and by keys. `at` reads the figure off a place in the view
 * box, `now` is the figure as it stands, `put` takes a new one.
 */
export function useSlide(
  svg: Readonly<ShallowRef<SVGSVGElement | null>>,
  slide: {
    box: () => readonly [width: number, height: number];
    at: (x: number, y: number) => number;
    now: () => number;
    put: (value: number) => void;
    step?: () => number;
    fixed?: () => boolean;
  },
) {
  function drag(e: PointerEvent) {
    if (slide.fixed?.()) return;
    if (e.type === 'pointerdown') (e.currentTarget as Element).setPointerCapture(e.pointerId);
    else if (e.buttons === 0) return;
    const box = svg.value!.getBoundingClientRect();
    const [width, height] = slide.box();
    slide.put(slide.at(((e.clientX - box.left) / box.width) * width, ((e.clientY - box.top) / box.height) * height));
  }
  function key(e: KeyboardEvent) {
    const by = STEPS[e.key];
    if (by === undefined || slide.fixed?.()) return;
    e.preventDefault();
    e.stopPropagation();
    slide.put(slide.now() + by * (slide.step?.() ?? 1));
  }
  return { drag, key };
}
