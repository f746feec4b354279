// What one press makes several entries of. `page` is the session's page: its id, its number, and how entries are sent.

import { add, uuid } from './queue.js';

// A list is read as a whole at the bench: one press confirms it, each point an entry of its own. What waited for another
// point of the same list follows once that is confirmed; what waits for something else stays open: as soon as anything
// else was entered, here or elsewhere, nothing follows.
export async function confirmAll(button, page) {
  const stop = page.bench().dataset.here;
  const begun = page.seq();
  let made = 0;
  const listed = () =>
    [...document.querySelectorAll('.ticks form[data-kind=tick]')].filter((f) =>
      f.querySelector('[aria-checked=false]'),
    );
  const name = (form) => form.querySelector('[role=checkbox]').id;
  const read = new Set(listed().map(name));
  const at = Date.now();
  const entry = (kind, fields) => {
    made += 1;
    return add({ id: uuid(), session: page.session, kind, fields, madeAt: at });
  };
  button.disabled = true;
  if (button.dataset.declare) {
    await entry('declare', { power: button.dataset.declare });
    await page.sent();
  }
  for (let round = 0; round < 3 && page.bench().dataset.here === stop && page.seq() === begun + made; round += 1) {
    const open = listed().filter((form) => !form.dataset.waits && read.has(name(form)));
    if (open.length === 0) break;
    for (const form of open) {
      read.delete(name(form));
      await entry('tick', Object.fromEntries(new FormData(form)));
    }
    await page.sent();
  }
}

// A turn and what the meter shows after it are two entries made with one.
export async function turned({ control, point, text }, page) {
  await add({ id: uuid(), session: page.session, kind: 'turn', fields: { control, way: '', reason: '' }, madeAt: Date.now() });
  const form = [...document.querySelectorAll('.ask')].find(
    (f) => f.elements.quantity.value === 'CURRENT' && f.elements.point.value === point,
  );
  const field = form && form.querySelector('input[name=text]');
  const fields = { quantity: 'CURRENT', point, text };
  await add({
    id: uuid(),
    session: page.session,
    kind: 'read',
    fields,
    madeAt: Date.now(),
    field: field && field.id,
    label: `${point},`,
  });
  await page.sent();
}

export async function allDirections(page) {
  const forms = [...document.querySelectorAll('form[data-kind=direction]')];
  for (const form of forms) {
    await add({
      id: uuid(),
      session: page.session,
      kind: 'direction',
      fields: Object.fromEntries(new FormData(form)),
      madeAt: Date.now(),
    });
  }
  await page.sent();
}
