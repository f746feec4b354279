// The session's page. Every entry is kept in this browser until the server has it, and goes in order, once each.

import { add, queued, refuse, remove, showQueue, uuid } from './queue.js';
import { follow } from './stream.js';
import { focusAfter } from './bench-focus.js';
import { keys } from './bench-keys.js';
import { allDirections, confirmAll, turned } from './bench-lists.js';
import { alarms, due, helpers, readBack, wanted } from './bench-sound.js';
import { times } from './bench-times.js';

const bench = () => document.getElementById('bench');
const session = bench().dataset.session;
const device = localStorage.getItem('device') || uuid();
localStorage.setItem('device', device);

function say(text, fine) {
  const told = document.getElementById('told');
  told.textContent = text;
  told.classList.toggle('fine', Boolean(fine));
}

// An entry that was under way for longer had to wait: the page may show something else by now.
const WAITED = 15000;
let sending = null;
let again = 0;

// Ends when all that is queued was sent, or has to wait for the server; what is queued meanwhile goes with it.
function send() {
  sending ??= sendQueued().finally(() => {
    sending = null;
    if (newest > seq()) refresh(newest);
  });
  return sending;
}

async function sendQueued() {
  clearTimeout(again);
  const first = async () => (await queued(session)).find((e) => !e.refused);
  for (let next = await first(); next; next = await first()) {
    let last = 0;
    for (; next; next = await first()) {
      let response;
      try {
        response = await fetch(`/api/v1/sessions/${session}/events`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({
            id: next.id,
            kind: next.kind,
            device,
            madeAt: next.madeAt,
            sentAt: Date.now(),
            fields: next.fields,
          }),
          signal: AbortSignal.timeout(10000),
        });
      } catch (away) {
        response = null;
      }
      if (!response || response.status >= 500 || response.status === 401 || response.status === 429) {
        await showQueue(session, send);
        if (response && response.status === 401) location.reload();
        again = setTimeout(send, 1500);
        return;
      }
      const answer = await response.json().catch(() => ({}));
      if (!response.ok && (Date.now() - next.madeAt > WAITED || !hasPlace(next))) {
        const sentence = answer.detail || 'This was not taken.';
        await refuse(next, { refused: sentence, asks: Boolean(answer.confirm) });
        if (answer.dangerous) danger(sentence);
        continue;
      }
      await remove(next);
      last = answer.seq || last;
      if (response.ok) accepted(next, answer);
      else refused(next, answer);
    }
    await showQueue(session, send);
    if (last) await refresh(last);
  }
}

function accepted(entry, answer) {
  if (entry.kind === 'read' || entry.kind === 'stop') document.getElementById('danger').hidden = true;
  const field = entry.field && document.getElementById(entry.field);
  if (field && field.value === (entry.fields.text || '')) field.value = '';
  const form = field && field.closest('form');
  if (form)
    form.querySelectorAll('.complaint').forEach((c) => {
      c.textContent = '';
    });
  if (field) field.removeAttribute('aria-invalid');
  say(entry.kind === 'read' ? `Recorded: ${entry.label || ''} ${answer.echo}` : '', true);
  if (entry.kind === 'read') readBack(`${entry.label || ''} ${answer.echo}`);
  moveOn = entry;
  mine = true;
  if (entry.kind === 'enter') toTop = true;
  // A panel that was already under way may have brought this entry: then nothing else moves on.
  if (answer.seq && answer.seq <= seq()) {
    focusAfter(bench(), moveOn);
    moveOn = null;
  }
}

// Whether what was typed can go back to where it was typed: a reading without its field would be lost.
const hasPlace = (entry) => entry.kind !== 'read' || Boolean(entry.field && document.getElementById(entry.field));

// What was not taken stays in its field with the sentence beside it.
function refused(entry, answer) {
  const sentence = answer.detail || 'This was not taken.';
  const field = entry.field && document.getElementById(entry.field);
  const place = field && field.closest('form').querySelector('.complaint');
  if (!place) {
    // Nothing typed is lost: it goes back where it came from.
    document.querySelectorAll(`form[data-kind=${entry.kind}]`).forEach((form) => {
      const same = [...form.querySelectorAll('input[type=hidden]')].every((i) => i.value === entry.fields[i.name]);
      if (same)
        form.querySelectorAll('input.words').forEach((i) => {
          i.value = i.value || entry.fields[i.name] || '';
        });
    });
    say(sentence);
    return;
  }
  if (field.value === '') field.value = entry.fields.text || '';
  field.setAttribute('aria-invalid', 'true');
  place.textContent = `${sentence} `;
  const offer = (text, confirms) => {
    const button = document.createElement('button');
    button.type = 'button';
    button.textContent = text;
    if (confirms) button.dataset.confirms = entry.fields.text;
    place.append(button);
    return button;
  };
  // A question comes with the likely meanings and the way to say that the value is right; the keyboard starts there.
  const buttons = (answer.choices || []).map((choice) => offer(choice, false));
  if (answer.confirm) buttons.push(offer(`${entry.fields.text} is right`, true));
  if (answer.dangerous) danger(sentence);
  if (answer.confirm && document.activeElement === field) buttons[0].focus();
}

// What would ask for power off if it were real stands on every device of the session until somebody settles it.
function danger(sentence) {
  const box = document.getElementById('danger');
  box.querySelector('p').textContent = sentence;
  box.hidden = false;
}

// The page follows the session; what is being typed stays.
let moveOn = null;
let mine = false;
let toTop = false;
let refreshing = null;
let newest = 0;
const seq = () => Number(bench().dataset.seq);
const page = { bench, session, seq, sent: () => sent() };

// Brings the page up to an entry's number; without one it looks once for what time alone has changed.
async function refresh(upTo) {
  newest = Math.max(newest, upTo || 0);
  if (upTo && upTo <= seq()) return;
  refreshing ??= bringUp().finally(() => {
    refreshing = null;
  });
  await refreshing;
}

async function bringUp() {
  do {
    const known = [...parts.keys()].join(' ');
    const response = await fetch(`/bench/${session}/panel?readings=${allReadings ? 'ALL' : 'NEWEST'}`, {
      headers: { 'X-Parts': known },
    }).catch(() => null);
    if (!response || !response.ok) return;
    if (response.redirected) {
      location.reload();
      return;
    }
    const html = whole(await response.text());
    // Nothing new: the page under the builder's hands stays.
    if (known && known === [...parts.keys()].join(' ')) continue;
    await handsOff;
    swap(html);
  } while (newest > seq());
}

// The server leaves out what this page has: each part is named by its content.
let parts = new Map();
let allReadings = false;
function whole(html) {
  const pieces = html.split(/<!--part:([0-9a-f]+)-->/);
  const now = new Map();
  const names = pieces.filter((piece, i) => i % 2 === 1);
  names.forEach((name, i) => now.set(name, pieces[2 * i + 2] || parts.get(name) || ''));
  parts = now;
  return names.map((name) => now.get(name)).join('');
}

// A tap that has begun ends on the element it began on: the page is not exchanged under a finger.
let handsOff = Promise.resolve();
document.addEventListener(
  'pointerdown',
  () => {
    handsOff = new Promise((resolve) => {
      const done = () => setTimeout(resolve, 0);
      document.addEventListener('click', done, { once: true });
      // A finger that scrolls presses nothing.
      document.addEventListener('pointercancel', done, { once: true });
      setTimeout(resolve, 2500);
    });
  },
  true,
);

function swap(html) {
  const next = new DOMParser().parseFromString(html, 'text/html').getElementById('bench');
  if (!next) {
    location.reload();
    return;
  }
  const old = bench();
  if (Number(next.dataset.seq) < seq()) return;
  const typed = new Map();
  const sameStop = old.dataset.here === next.dataset.here;
  old.querySelectorAll('input[id]:not([type=checkbox]), select[id]').forEach((field) => {
    const complaint =
      field.getAttribute('aria-invalid') === 'true' && field.closest('form').querySelector('.complaint');
    if (field.value && (field.tagName === 'INPUT' || field.dataset.touched))
      typed.set(field.id, { value: field.value, said: complaint ? complaint.innerHTML : '' });
  });
  const openDetails = new Map([...old.querySelectorAll('details')].map((d) => [detailsKey(d), d.open]));
  const focus = document.activeElement && document.activeElement.id;
  const caret = document.activeElement && [document.activeElement.selectionStart, document.activeElement.selectionEnd];
  const told = document.getElementById('told');
  next.querySelector('#told').replaceWith(told);
  next.querySelector('#queue').replaceWith(document.getElementById('queue'));
  old.replaceWith(document.adoptNode(next));
  if (sameStop)
    next.querySelectorAll('details').forEach((d) => {
      if (openDetails.get(detailsKey(d))) d.open = true;
    });
  typed.forEach((state, id) => {
    const field = document.getElementById(id);
    if (!field || field.type === 'hidden') return;
    field.value = state.value;
    if (field.tagName === 'SELECT') field.dataset.touched = 'yes';
    const place = state.said && field.closest('form').querySelector('.complaint');
    if (place) {
      place.innerHTML = state.said;
      field.setAttribute('aria-invalid', 'true');
    }
  });
  times();
  helpers();
  alarms(old, bench());
  if (moveOn) focusAfter(bench(), moveOn);
  else if (focus) {
    const field = document.getElementById(focus);
    if (field) {
      field.focus({ preventScroll: true });
      if (field.setSelectionRange && field.type === 'text') field.setSelectionRange(caret[0], caret[1]);
    } else focusAfter(bench(), { kind: 'gone', field: focus });
  }
  const done = sameStop && old.dataset.goesOn === 'false' && bench().dataset.goesOn === 'true';
  if (mine && done) goOn();
  mine = false;
  moveOn = null;
  if (toTop) {
    window.scrollTo(0, 0);
    toTop = false;
    document.title = document.title.replace(/,[^·]*·/, `, ${next.querySelector('h1').textContent} ·`);
  }
}
// A stop that this device has just done leads on to the next, unless something typed waits here.
async function goOn() {
  const stop = bench().dataset.after;
  const typed = [...document.querySelectorAll('.ask input[name=text]')].some((field) => field.value !== '');
  if (!stop || typed || !wanted('goOn') || (await queued(session)).length > 0) return;
  await record('enter', { stop }, {});
}

async function record(kind, fields, { field, label }) {
  await add({ id: uuid(), session, kind, fields, madeAt: Date.now(), field, label });
  await sent();
}

async function sent() {
  await showQueue(session, send);
  await send();
}

// What a fold is called, and whose it is; counts in its name may change.
function detailsKey(details) {
  const owner = details.closest('li, .tube-row');
  const name = owner && owner.querySelector('h2, input[name=supersedes]');
  return `${name ? name.value || name.textContent : ''}/${details.querySelector('summary').textContent.replace(/\d+/g, '')}`;
}
// The text a builder has just said is right, for the entry that follows.
let confirmed = null;

document.addEventListener('submit', async (event) => {
  const form = event.target;
  if (!form.dataset.kind || !form.closest('#bench, #danger')) return;
  event.preventDefault();
  const fields = Object.fromEntries(new FormData(form));
  if (confirmed !== null && confirmed === fields.text) fields.confirmed = 'yes';
  confirmed = null;
  const input = form.querySelector('input[name=text], input[name=values]');
  if (form.dataset.kind === 'read' && !fields.text.trim()) {
    // An empty Enter moves on.
    if (form.closest('.ask')) focusAfter(bench(), { kind: 'read', field: input.id });
    else input.focus();
    return;
  }
  // A second press of the same is none; what was mended meanwhile goes on.
  const under = JSON.stringify(fields);
  if (form.dataset.busy === under) return;
  form.dataset.busy = under;
  const over = () => {
    if (form.dataset.busy === under) delete form.dataset.busy;
  };
  const label = form.querySelector('label');
  if (form.dataset.kind === 'turned') {
    if (!fields.text.trim()) input.focus();
    else await turned(fields, page);
    over();
    return;
  }
  const held = event.submitter && event.submitter.id;
  await add({
    id: uuid(),
    session,
    kind: form.dataset.kind,
    fields,
    madeAt: Date.now(),
    field: (input && input.id) || held,
    label: label && label.textContent,
  });
  if (form.dataset.kind !== 'read' && form.dataset.kind !== 'drawer')
    form.querySelectorAll('input.words').forEach((i) => {
      i.value = '';
    });
  await sent();
  over();
});
document.addEventListener('change', (event) => {
  if (event.target.tagName === 'SELECT') event.target.dataset.touched = 'yes';
});

// Other devices and tabs.
function heard(name, data) {
  if (data.session && data.session !== session) return;
  if (name === 'danger') {
    danger(data.sentence);
  } else if (name === 'changed') {
    newest = Math.max(newest, data.seq);
    // While an entry of this device is under way its answer comes first: it moves on to the next field with the new panel,
    // and what is typed then lands in no field that was meant before.
    if (!sending) refresh(newest);
  } else {
    refresh();
    send();
  }
}

document.addEventListener('click', (event) => {
  if (event.target.closest('#show-all')) {
    allReadings = true;
    refresh();
  }
  const all = event.target.closest('#all-ticks');
  if (all && !all.disabled) confirmAll(all, page);
  if (event.target.closest('#all-directions')) allDirections(page);
  if (event.target.closest('#show-keys')) document.getElementById('keys').showModal();
  // What could have been meant: picking it records it.
  const choice = event.target.closest('.complaint button');
  if (choice) {
    const field = choice.closest('form').querySelector('input[name=text], input[name=values]');
    if (choice.dataset.confirms === undefined) field.value = choice.textContent;
    else confirmed = field.value === choice.dataset.confirms ? choice.dataset.confirms : null;
    field.form.requestSubmit();
  }
  if (event.target.closest('#danger-over')) document.getElementById('danger').hidden = true;
});

times();
helpers();
follow(heard);
showQueue(session, send);
send();
addEventListener('online', send);
keys(bench);
setInterval(() => due(bench()), 5000);
// What time alone changes is looked for: a lock opens a minute after off, a reading falls due.
let looks = 0;
setInterval(() => {
  looks += 1;
  const soon = document.querySelector('.p-OFF') || newest > seq();
  if (!soon && looks % 6 > 0) return;
  times();
  if (!refreshing && document.visibilityState === 'visible' && !sending) refresh();
}, 5000);
