import type { Locator, Page } from '@playwright/test';

/** A job done by hand, each gesture counted: a click, a drag, a key or chord, a run of typing, a paste. */
export class Gestures {
  private readonly done: string[] = [];
  constructor(private readonly page: Page) {}

  get count(): number {
    return this.done.length;
  }
  async click(what: Locator, ...options: Parameters<Locator['click']>): Promise<void> {
    this.done.push('click');
    await what.click(...options);
  }
  async press(keys: string): Promise<void> {
    this.done.push(keys);
    await this.page.keyboard.press(keys);
  }
  async type(text: string): Promise<void> {
    this.done.push('typing');
    await this.page.keyboard.type(text);
  }
  async fill(what: Locator, text: string): Promise<void> {
    this.done.push('click', 'typing');
    await what.fill(text);
  }
  async choose(what: Locator, option: string): Promise<void> {
    this.done.push('choice');
    await what.selectOption(option);
  }
  async paste(into: Locator, text: string): Promise<void> {
    this.done.push('paste');
    await into.evaluate((target, pasted) => {
      const data = new DataTransfer();
      data.setData('text/plain', pasted);
      target.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    }, text);
  }
  /** From the middle of one thing to a place off it, or to the middle of another. */
  async drag(from: Locator, to: Locator | { readonly x: number; readonly y: number }): Promise<void> {
    this.done.push('drag');
    const middle = async (of: Locator) => {
      const box = (await of.boundingBox())!;
      return { x: box.x + box.width / 2, y: box.y + box.height / 2 };
    };
    const start = await middle(from);
    const end = 'x' in to ? { x: start.x + to.x, y: start.y + to.y } : await middle(to);
    await this.page.mouse.move(start.x, start.y);
    await this.page.mouse.down();
    await this.page.mouse.move((start.x + end.x) / 2, end.y, { steps: 4 });
    await this.page.mouse.move(end.x, end.y, { steps: 4 });
    await this.page.mouse.up();
  }
  tell(job: string): void {
    console.log(`${job}: ${this.count} gestures (${this.done.join(', ')})`);
  }
}
