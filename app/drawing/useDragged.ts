import { drag } from 'd3-drag';
import { select } from 'd3-selection';
import { useEffect, useEffectEvent, type RefObject } from 'react';
import { held } from '../../core/held.ts';
import type { Point } from '../../core/piece/outline.ts';

export interface Dragged {
  /** Point that is dragged; without it, that of the pointer. */
  readonly from?: () => Point;
  /** Whether a press begins a drag. */
  readonly may?: (e: PointerEvent | MouseEvent | TouchEvent) => boolean;
  readonly over: (to: Point, from: Point) => void;
  /** Ends; null where it was only pressed. */
  readonly done: (to: Point | null, from: Point) => void;
}

/** Lets an element of a drawing be dragged, by mouse or finger; points are in the units of the drawing. */
export function useDragged(element: RefObject<SVGGraphicsElement | null>, dragged: Dragged): void {
  const subject = useEffectEvent((at: Point): Point => dragged.from?.() ?? at);
  const may = useEffectEvent(
    (e: MouseEvent): boolean => !e.ctrlKey && !e.button && (dragged.may?.(e) ?? true),
  );
  const over = useEffectEvent(dragged.over);
  const done = useEffectEvent(dragged.done);
  useEffect(() => {
    let from: Point = { x: 0, y: 0 };
    let to: Point | null = null;
    const dragging = drag<SVGGraphicsElement, unknown>()
      .filter((e: MouseEvent) => may(e))
      .subject((e: { x: number; y: number }) => subject({ x: e.x, y: e.y }))
      .on('start', (e: { x: number; y: number }) => {
        from = { x: e.x, y: e.y };
        to = null;
      })
      .on('drag', (e: { x: number; y: number }) => {
        to = { x: e.x, y: e.y };
        over(to, from);
      })
      .on('end', () => done(to, from));
    const there = select(held(element.current, 'it is on the page while effects and events run'));
    there.call(dragging);
    // Whether a finger may scroll the page from here is for the style of the element to say.
    there.style('touch-action', null);
    return () => void there.on('.drag', null);
  }, [element]);
}
