import { GROUND, resolve, type Element, type Netlist, type Node } from './netlist';

/** Collects elements and joins nodes that are the same piece of metal. */
export class NetlistBuilder {
  private readonly elements: Element[] = [];
  private readonly joined = new Map<Node, Node>();
  private first: readonly Node[] = [];

  add(element: Element): void {
    this.elements.push(element);
  }

  /** Makes two names one node; ground keeps its name. */
  join(first: Node, second: Node): void {
    const a = resolve(this.joined, first);
    const b = resolve(this.joined, second);
    if (a === b) return;
    if (a === GROUND) this.joined.set(b, a);
    else this.joined.set(a, b);
  }

  /** Numbers nodes before all others, in this order: those with few neighbours first leave the most zeros where a large net is solved. */
  number(first: readonly Node[]): void {
    this.first = first;
  }

  /** Whether any element has an end there. */
  uses(node: Node): boolean {
    return this.elements.some((element) => 'a' in element && (element.a === node || element.b === node));
  }

  build(): Netlist {
    return { elements: this.elements, joined: this.joined, ...(this.first.length && { first: this.first }) };
  }
}
