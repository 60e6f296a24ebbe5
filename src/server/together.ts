interface Waiting<In, Out> {
  readonly input: In;
  readonly resolve: (out: Out) => void;
  readonly reject: (error: unknown) => void;
}

/** So many at once; further ones make up the next group. */
const mostTogether = 64;

/**
 * Work that is better done for several at once: what comes while one group is done waits and makes up the next. Where a group of several fails, each of
 * it is tried alone, so that a fault is the fault of one only. `ended` is called when nothing waits any more.
 */
export class Together<In, Out> {
  private waiting: Waiting<In, Out>[] = [];
  private running = false;
  constructor(private readonly ended: () => void = () => undefined) {}

  /** `all` gives the results in the order of what it is given. */
  add(input: In, all: (inputs: readonly In[]) => Promise<readonly Out[]>): Promise<Out> {
    const promise = new Promise<Out>((resolve, reject) => this.waiting.push({ input, resolve, reject }));
    if (!this.running) void this.run(all);
    return promise;
  }

  private async run(all: (inputs: readonly In[]) => Promise<readonly Out[]>): Promise<void> {
    this.running = true;
    while (this.waiting.length > 0) {
      const group = this.waiting.splice(0, mostTogether);
      if (await this.done(group, all, group.length === 1)) continue;
      for (const one of group) await this.done([one], all, true);
    }
    this.running = false;
    this.ended();
  }

  /** Whether the group was answered; one that fails is told so only where `tellsFaults`. */
  private async done(
    group: readonly Waiting<In, Out>[],
    all: (inputs: readonly In[]) => Promise<readonly Out[]>,
    tellsFaults: boolean,
  ): Promise<boolean> {
    try {
      const outs = await all(group.map(({ input }) => input));
      group.forEach(({ resolve }, i) => resolve(outs[i]!));
      return true;
    } catch (error) {
      if (!tellsFaults) return false;
      for (const { reject } of group) reject(error);
      return true;
    }
  }
}
