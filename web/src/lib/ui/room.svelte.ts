// How wide and high something is that is drawn to size. It is drawn first as wide as it was last time, and measured when
// the page is laid out anyway: whoever asks sooner has it laid out for that alone, and drawn twice.
type Size = { width: number; height: number };

const last: Record<string, Size> = {};

export class Room {
  width = $state(0);
  height = $state(0);

  /** Room for a thing of this name, taken to be so large if it was never seen in a window of this width. */
  constructor(
    private readonly name: string,
    otherwise: Size = { width: 0, height: 0 },
  ) {
    ({ width: this.width, height: this.height } = last[this.#key()] ?? otherwise);
  }

  /** Attached to the element that the thing fills. */
  readonly measured = (element: HTMLElement) => {
    const watched = new ResizeObserver(() => {
      ({ clientWidth: this.width, clientHeight: this.height } = element);
      last[this.#key()] = { width: this.width, height: this.height };
    });
    watched.observe(element);
    return () => watched.disconnect();
  };

  #key = () => `${this.name} ${innerWidth}`;
}
