import { describe, expect, it } from 'vitest';
import { Together } from './together';

const soon = () => new Promise((resolve) => setTimeout(resolve, 5));

describe('work done together', () => {
  it('what comes while one group is done makes up the next, and each gets its own answer in order', async () => {
    const groups: number[][] = [];
    let ended = 0;
    const together = new Together<number, string>(() => ended++);
    const all = async (inputs: readonly number[]) => {
      groups.push([...inputs]);
      await soon();
      return inputs.map((n) => `answer ${n}`);
    };
    const told = await Promise.all([1, 2, 3, 4].map((n) => together.add(n, all)));
    expect(told).toEqual(['answer 1', 'answer 2', 'answer 3', 'answer 4']);
    expect(groups).toEqual([[1], [2, 3, 4]]);
    expect(ended).toBe(1);
    expect(await together.add(5, all)).toBe('answer 5');
  });
  it('one that fails fails alone', async () => {
    const together = new Together<number, number>();
    const all = async (inputs: readonly number[]) => {
      await soon();
      if (inputs.includes(3)) throw new Error('three');
      return inputs.map((n) => n * 10);
    };
    const told = await Promise.allSettled([1, 2, 3, 4].map((n) => together.add(n, all)));
    expect(told.map((one) => (one.status === 'fulfilled' ? one.value : String(one.reason)))).toEqual([
      10,
      20,
      'Error: three',
      40,
    ]);
  });
});
