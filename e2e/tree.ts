/** The page as a screen reader gets it: the tree of what is accessible, asked of the browser, and the actions that it offers. */
import type { CDPSession, Page } from '@playwright/test';

interface Node {
  readonly nodeId: string;
  readonly childIds?: readonly string[];
  readonly ignored: boolean;
  readonly backendDOMNodeId?: number;
  readonly role?: { readonly value: string };
  readonly name?: { readonly value: string };
  readonly value?: { readonly value: string | number };
  readonly properties?: readonly { readonly name: string; readonly value: { readonly value: unknown } }[];
}

/** Milliseconds after which what does not come is given up. */
const PATIENCE = 60_000;

/** A thing of the tree, with all that it says. */
export interface Said {
  readonly name: string;
  readonly value: string;
  readonly text: string;
}

export class Tree {
  private session: Promise<CDPSession> | null = null;

  constructor(private readonly page: Page) {}

  private connected(): Promise<CDPSession> {
    return (this.session ??= this.page.context().newCDPSession(this.page));
  }

  /** Things of a role whose name a pattern finds, in the order of reading; those that are disabled are left out. */
  private async all(role: string, name: RegExp): Promise<readonly { node: Node; said: Said }[]> {
    const session = await this.connected();
    const nodes = (await session.send('Accessibility.getFullAXTree')).nodes as readonly Node[];
    const byId = new Map(nodes.map((node) => [node.nodeId, node]));
    const textOf = (node: Node): string =>
      node.role?.value === 'StaticText'
        ? (node.name?.value ?? '')
        : (node.childIds ?? []).map((id) => textOf(byId.get(id)!)).join(' ');
    return nodes
      .filter(
        (node) =>
          !node.ignored &&
          node.role?.value === role &&
          name.test(node.name?.value ?? '') &&
          !node.properties?.some((p) => p.name === 'disabled' && p.value.value === true),
      )
      .map((node) => ({
        node,
        said: { name: node.name?.value ?? '', value: String(node.value?.value ?? ''), text: textOf(node) },
      }));
  }

  /** The words of a thing now; null where the tree has none of the kind. */
  async now(role: string, name: RegExp): Promise<Said | null> {
    return (await this.all(role, name))[0]?.said ?? null;
  }

  /** Waits for a thing, and lets its element run a function: an action that is offered to whoever reads the tree. */
  async act(role: string, name: RegExp, action: string): Promise<void> {
    const session = await this.connected();
    const end = Date.now() + PATIENCE;
    for (;;) {
      const [first] = await this.all(role, name);
      if (first?.node.backendDOMNodeId !== undefined) {
        const { object } = await session.send('DOM.resolveNode', {
          backendNodeId: first.node.backendDOMNodeId,
        });
        await session.send('Runtime.callFunctionOn', {
          objectId: object.objectId!,
          functionDeclaration: action,
        });
        return;
      }
      if (Date.now() > end) throw new Error(`the tree has no ${role} ${String(name)}`);
      await this.page.waitForTimeout(100);
    }
  }
}
