import { onBeforeUnmount, onMounted } from 'vue';
import interact from 'interactjs';
import type { LinePlace } from '@roskel/core';

interface DragEvent {
  target: HTMLElement;
  dx: number;
  dy: number;
  clientX: number;
  clientY: number;
}
/** What stands for a station on the page: a column or ring of the picture, a row of the list. */
const STANDS = '[data-picker], [data-ring], [data-column], [data-row]';

/** The station under a point, and the half of it that is: in a row by height, elsewhere by width. */
function placeAt(x: number, y: number): LinePlace | null {
  const found = document.elementsFromPoint(x, y).map((e) => e.closest<HTMLElement>(STANDS));
  const at = found.find((e) => e?.dataset.ring) ?? found.find((e) => e !== null);
  if (!at) return null;
  const { picker, ring, column, row } = at.dataset;
  const box = at.getBoundingClientRect();
  const late = row ? y > box.top + box.height / 2 : x > box.left + box.width / 2;
  return { stationId: (picker ?? ring ?? column ?? row)!, where: late ? 'after' : 'before' };
}

/**
 * Drags in the picture of the line, by mouse or by touch, while the caller is there: things (`.change-thing`, `data-thing`)
 * onto a station, and stations (`data-handle`) to a place between others. `aim` hears where a station would land.
 */
export function useLineDrag(does: {
  thing: (intakeId: string, stationId: string) => void;
  station: (stationId: string, to: LinePlace) => void;
  aim: (to: LinePlace | null) => void;
}): void {
  const drags: ReturnType<typeof interact>[] = [];
  onMounted(() => {
    drags.push(
      interact('.change-thing').draggable({
        listeners: {
          start: (e: DragEvent) => e.target.classList.add('dragged'),
          move: (e: DragEvent) => {
            const [x, y] = [Number(e.target.dataset.x ?? 0) + e.dx, Number(e.target.dataset.y ?? 0) + e.dy];
            Object.assign(e.target.dataset, { x, y });
            e.target.style.transform = `translate(${x}px, ${y}px)`;
          },
          end: (e: DragEvent) => {
            e.target.classList.remove('dragged');
            e.target.style.transform = '';
            delete e.target.dataset.x;
            delete e.target.dataset.y;
            const to = placeAt(e.clientX, e.clientY);
            if (to) does.thing(e.target.dataset.thing!, to.stationId);
          },
        },
      }),
      interact('[data-handle]').draggable({
        listeners: {
          move: (e: DragEvent) => does.aim(placeAt(e.clientX, e.clientY)),
          end: (e: DragEvent) => {
            does.aim(null);
            const to = placeAt(e.clientX, e.clientY);
            if (to) does.station(e.target.dataset.handle!, to);
          },
        },
      }),
    );
  });
  onBeforeUnmount(() => {
    does.aim(null);
    for (const d of drags) d.unset();
  });
}
