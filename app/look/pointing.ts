import type { FocusEvent, PointerEvent } from 'react';

interface Pointing {
  readonly onPointerEnter: (e: PointerEvent) => void;
  readonly onPointerLeave: () => void;
  readonly onFocus: (e: FocusEvent) => void;
  readonly onBlur: () => void;
}

/** Hears whether something is pointed at, with the pointer or by the keys; a finger that presses it does not point. */
export const pointing = (onPoint: ((here: boolean) => void) | undefined): Pointing => ({
  onPointerEnter: (e) => e.pointerType !== 'touch' && onPoint?.(true),
  onPointerLeave: () => onPoint?.(false),
  onFocus: (e) => e.target.matches(':focus-visible') && onPoint?.(true),
  onBlur: () => onPoint?.(false),
});
