import MiniSearch from 'minisearch';

// The search of the documentation: all of it is in the browser, nothing is asked of the server while one types.

interface Section {
  readonly id: string;
  readonly address: string;
  readonly page: string;
  readonly title: string;
  readonly text: string;
}

/** Results that are shown, and letters of each. */
const MOST = 12;
const WORDS = 160;

const field = document.querySelector<HTMLInputElement>('#docs-search');
const list = document.querySelector<HTMLElement>('#docs-found');

let index: Promise<MiniSearch<Section>> | null = null;

async function load(): Promise<MiniSearch<Section>> {
  const answer = await fetch('/docs/search.json');
  if (!answer.ok) throw new Error(`the server answers ${answer.status}`);
  const made = new MiniSearch<Section>({
    fields: ['title', 'text', 'page'],
    storeFields: ['address', 'page', 'title', 'text'],
    searchOptions: { boost: { title: 3, page: 2 }, prefix: true, fuzzy: 0.15, combineWith: 'AND' },
  });
  made.addAll((await answer.json()) as Section[]);
  return made;
}

async function search(): Promise<void> {
  if (!field || !list) return;
  const asked = field.value.trim();
  list.hidden = asked === '';
  if (asked === '') return;
  let lines: Node[];
  try {
    const found = (await (index ??= load())).search(asked).slice(0, MOST) as unknown as Section[];
    lines = found.length > 0 ? found.map((one) => line(one, asked)) : [words(`Nothing says “${asked}”.`)];
  } catch (error) {
    index = null;
    lines = [words(`The search could not be loaded: ${String(error)}.`)];
  }
  if (field.value.trim() === asked) list.replaceChildren(...lines);
}

function words(text: string): HTMLElement {
  const item = document.createElement('li');
  item.textContent = text;
  return item;
}

function line({ address, page, title, text }: Section, asked: string): HTMLElement {
  const item = document.createElement('li');
  const link = document.createElement('a');
  link.href = address;
  link.textContent = title === page ? title : `${page}: ${title}`;
  const at = text.toLowerCase().indexOf(asked.split(/\s+/)[0]?.toLowerCase() ?? '');
  const from = Math.max(0, at - WORDS / 3);
  const about = document.createElement('span');
  about.textContent = `${from > 0 ? '… ' : ''}${text.slice(from, from + WORDS)}${text.length > from + WORDS ? ' …' : ''}`;
  item.append(link, about);
  return item;
}

field?.addEventListener('input', () => void search());
