/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, test } from '@jest/globals';
import { keepFocus } from './keptFocus.ts';

let end: () => void;
const soon = (): Promise<void> => new Promise((resolve) => setTimeout(resolve, 90));
const at = (id: string): HTMLElement => document.getElementById(id)!;

beforeEach(() => {
  document.body.innerHTML =
    '<main id="main"><h1 id="title">Work</h1><section id="now"><button id="count">Count</button></section></main>';
  end = keepFocus();
});
afterEach(() => end());

describe('the focus, when what has it goes away', () => {
  test('goes to the heading of what came in its place', async () => {
    at('count').focus();
    at('now').innerHTML = '<h2 id="sheet">How many?</h2><button>Done</button>';
    await soon();
    expect(document.activeElement).toBe(at('sheet'));
  });

  test('goes to the nearest heading where nothing came', async () => {
    at('count').focus();
    at('now').remove();
    await soon();
    expect(document.activeElement).toBe(at('title'));
  });

  test('goes to what can be pressed beside what no longer can', async () => {
    at('now').innerHTML = '<button id="undo">Undo</button><button id="redo">Redo</button>';
    at('undo').focus();
    // Browsers take it away themselves.
    at('undo').blur();
    at('undo').setAttribute('disabled', '');
    await soon();
    expect(document.activeElement).toBe(at('redo'));
  });

  test('stays where somebody has put it since', async () => {
    at('count').focus();
    at('now').innerHTML = '<h2>How many?</h2><button id="own">Done</button>';
    at('own').focus();
    await soon();
    expect(document.activeElement).toBe(at('own'));
  });

  test('is left alone while what has it stays, and where nothing had it', async () => {
    at('now').append('more');
    await soon();
    expect(document.activeElement).toBe(document.body);
    at('count').focus();
    at('title').remove();
    await soon();
    expect(document.activeElement).toBe(at('count'));
  });

  test('is left alone where somebody has left before by will', async () => {
    at('count').focus();
    at('count').blur();
    await soon();
    at('now').innerHTML = '<h2>How many?</h2>';
    await soon();
    expect(document.activeElement).toBe(document.body);
  });

  test('is not kept any more in the end', async () => {
    at('count').focus();
    end();
    at('now').remove();
    await soon();
    expect(document.activeElement).toBe(document.body);
  });
});
