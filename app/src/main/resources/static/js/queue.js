// The queue: entries stand in this browser until the server has them, in order, once each.

// Ids work on a plain-http address too, where crypto.randomUUID is missing.
export function uuid() {
  const b = crypto.getRandomValues(new Uint8Array(16));
  b[6] = (b[6] & 0x0f) | 0x40;
  b[8] = (b[8] & 0x3f) | 0x80;
  const hex = [...b].map((x) => x.toString(16).padStart(2, '0')).join('');
  return `${hex.slice(0, 8)}-${hex.slice(8, 12)}-${hex.slice(12, 16)}-${hex.slice(16, 20)}-${hex.slice(20)}`;
}

const opened = new Promise((resolve, reject) => {
  const request = indexedDB.open('yellow-rail', 1);
  request.onupgradeneeded = () => request.result.createObjectStore('queue', { keyPath: 'order', autoIncrement: true });
  request.onsuccess = () => resolve(request.result);
  request.onerror = () => reject(request.error);
});
async function store(mode, work) {
  const db = await opened;
  return new Promise((resolve, reject) => {
    const transaction = db.transaction('queue', mode, { durability: 'strict' });
    const request = work(transaction.objectStore('queue'));
    transaction.oncomplete = () => resolve(request.result);
    transaction.onerror = () => reject(transaction.error);
  });
}

/** Entries of a session that wait, or were refused and wait to be mended. */
export const queued = async (session) =>
  (await store('readonly', (q) => q.getAll())).filter((e) => e.session === session);
export const add = (entry) => store('readwrite', (q) => q.add(entry));
export const remove = (entry) => store('readwrite', (q) => q.delete(entry.order));
export const refuse = (entry, said) => store('readwrite', (q) => q.put({ ...entry, ...said }));

// What an entry is, in a few words.
function words(entry) {
  const f = entry.fields;
  const what = f.quantity && f.quantity.toLowerCase().replace(/_/g, ' ');
  return [entry.kind, what, f.point || f.stop || f.check || f.control, f.text].filter(Boolean).join(' ');
}

// Two looks at the queue may cross: only the newest is shown.
let looks = 0;

// @param send what takes a mended entry on
export async function showQueue(session, send) {
  looks += 1;
  const look = looks;
  const all = await queued(session);
  if (look !== looks) return;
  const waiting = all.filter((e) => !e.refused);
  const box = document.getElementById('queue');
  // What is being typed into a refused entry stays while others come and go.
  const rows = new Map([...box.querySelectorAll('.refused')].map((row) => [row.dataset.order, row]));
  box.hidden = all.length === 0;
  const focus = document.activeElement;
  box.textContent = '';
  if (waiting.length > 0) {
    box.append(
      `${waiting.length} ${waiting.length === 1 ? 'entry waits' : 'entries wait'} for the server, kept in this browser:`,
    );
    const list = document.createElement('ul');
    waiting.forEach((e) => {
      const item = document.createElement('li');
      item.textContent = words(e);
      list.append(item);
    });
    box.append(list);
  }
  all.filter((e) => e.refused).forEach((e) => box.append(rows.get(String(e.order)) || refusedEntry(e, send)));
  if (box.contains(focus)) focus.focus({ preventScroll: true });
}

// An entry that was not taken and has no field to go back to: it stays until it is mended or dropped, and the others go on.
function refusedEntry(entry, send) {
  const row = document.createElement('div');
  row.className = 'refused';
  row.dataset.order = entry.order;
  row.setAttribute('role', 'alert');
  const said = document.createElement('p');
  said.textContent = `Not taken: ${words(entry)}. ${entry.refused}`;
  row.append(said);
  const field = document.createElement('input');
  const typed = entry.fields.text;
  if (typed !== undefined) {
    field.className = 'box words';
    field.value = typed;
    field.setAttribute('aria-label', `What it should say: ${words(entry)}`);
    row.append(field);
  }
  const button = (text, act) => {
    const b = document.createElement('button');
    b.type = 'button';
    b.className = 'act plain small-act';
    b.textContent = text;
    b.onclick = act;
    row.append(b);
  };
  const again = (fields) => async () => {
    const { order, refused, asks, ...rest } = entry;
    await add({ ...rest, id: uuid(), fields: fields(), madeAt: Date.now() });
    await remove(entry);
    await showQueue(entry.session, send);
    send();
  };
  const mended = () => (typed === undefined ? entry.fields : { ...entry.fields, text: field.value });
  button(entry.kind === 'read' ? 'Record it as read now' : 'Send it again', again(mended));
  if (entry.asks)
    button(
      `${typed} is right, read now`,
      again(() => ({ ...entry.fields, confirmed: 'yes' })),
    );
  button('Drop it', async () => {
    await remove(entry);
    // What is under way may have shown the queue before.
    await showQueue(entry.session, send);
    send();
  });
  return row;
}
