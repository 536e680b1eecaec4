import type { Scene } from '../../drawing/scene.ts';

/** Time that the first frame after a change may paint, ms, so that small drawings come at once. */
const FIRST_SHARE = 30;
/** Of a frame of 16.7 ms: the share is never more than `MOST` nor less than `LEAST`; it came late after `LATE`. */
const MOST = 8;
const LEAST = 0.4;
const LATE = 20;

/**
 * How long a frame may paint. What is painted is put on the screen after the frame’s own work, so the share follows
 * the time that frames really take: smaller when they come late, larger again when they come in time.
 */
export class Pace {
  private share = MOST;
  private last = 0;
  private scene: Scene | null = null;

  /** @param time of the frame, ms @returns its share, ms */
  shareAt(time: number, scene: Scene): number {
    if (scene !== this.scene) {
      this.scene = scene;
      this.last = time;
      return FIRST_SHARE;
    }
    const taken = time - this.last;
    this.last = time;
    if (taken > LATE) this.share = Math.max(LEAST, this.share * 0.6);
    else this.share = Math.min(MOST, this.share * 1.2);
    return this.share;
  }
}
