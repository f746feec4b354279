// Small manners of the pages; every figure comes from the server.

// Theme: the device's choice until the builder makes one.
const root = document.documentElement;
const wanted = () =>
  localStorage.getItem('theme') || (matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light');
root.dataset.bsTheme = wanted();
matchMedia('(prefers-color-scheme: dark)').addEventListener('change', () => {
  root.dataset.bsTheme = wanted();
});
document.addEventListener('click', (event) => {
  if (event.target.closest('.theme-switch')) {
    const next = root.dataset.bsTheme === 'dark' ? 'light' : 'dark';
    localStorage.setItem('theme', next);
    root.dataset.bsTheme = next;
  }
});

// Parts of a form that depend on a pick: data-when="method:own,shared" shows the part for these values only.
function showParts(form) {
  form.querySelectorAll('[data-when]').forEach((part) => {
    part.hidden = !part.dataset.when.split(' ').every((rule) => {
      const [name, values] = rule.split(':');
      const field = form.elements[name];
      const value = field && field.type === 'checkbox' ? (field.checked ? 'yes' : '') : field ? field.value : '';
      return values.split(',').includes(value);
    });
    // What does not apply is not sent: the server refuses a figure that belongs to another pick.
    part.querySelectorAll('input, select, textarea').forEach((field) => {
      field.disabled = part.hidden;
    });
  });
}
// A pick that goes with another, as long as nothing else was picked there: "cathode:method:cathode:own" picks the method
// "cathode" with the value "cathode", and "own" again without it.
function suggest(field) {
  const [value, name, with_, without] = (field.dataset.suggests || '').split(':');
  const other = name && field.form.elements[name];
  if (other && other.value === (field.value === value ? without : with_))
    other.value = field.value === value ? with_ : without;
}
// Before anything else hears of the change: what is sent because of it holds the parts that belong to it.
document.addEventListener(
  'change',
  (event) => {
    const form = event.target.closest('form');
    suggest(event.target);
    if (form) showParts(form);
  },
  true,
);
document.addEventListener('DOMContentLoaded', () => document.querySelectorAll('form').forEach(showParts));
document.addEventListener('htmx:afterSwap', () => document.querySelectorAll('form').forEach(showParts));

// A pick that belongs to another field's value goes when that changes: an edition of the ratings to a tube type.
document.addEventListener('input', (event) => {
  const form = event.target.form;
  if (form)
    form.querySelectorAll(`[data-reset="${event.target.name}"]`).forEach((field) => {
      field.value = '';
    });
});

// A field that stands outside its form asks for an answer as one inside does.
document.addEventListener('change', (event) => {
  const form = event.target.form;
  if (!form || !form.hasAttribute('hx-get') || form.contains(event.target)) return;
  const ask = () => window.htmx.trigger(form, 'change');
  // Whoever is quick changes it before that script is there.
  if (window.htmx) ask();
  else document.addEventListener('DOMContentLoaded', ask, { once: true });
});

// What could have been meant goes into its field.
document.addEventListener('click', (event) => {
  const choice = event.target.closest('[data-fill]');
  if (!choice) return;
  const field = document.getElementById(choice.dataset.fill);
  field.value = choice.dataset.value || choice.textContent.trim();
  field.dispatchEvent(new Event('input', { bubbles: true }));
  if (field.tagName === 'SELECT') field.dispatchEvent(new Event('change', { bubbles: true }));
  field.focus();
  if (choice.dataset.keep) keepAnswer(choice.dataset, field);
});

// An answer that holds for the amp is kept with it; whether it was is said beside its field.
async function keepAnswer({ keep, token }, field) {
  const said = document.getElementById(`${field.id}-said`);
  said.textContent = '';
  const body = new URLSearchParams({ [field.name]: field.value, _csrf: token });
  const response = await fetch(keep, { method: 'POST', body }).catch(() => null);
  said.textContent =
    response && response.ok ? ' (kept with this amp)' : ' (not kept with this amp: no answer just now; it counts here)';
}

// Fields that come anew: an answer to a form that has changed since is not put in, it is asked for again.
const written = (form) => new URLSearchParams(new FormData(form)).toString();
const asked = new WeakMap();
document.addEventListener('htmx:beforeSend', ({ target, detail }) => {
  const form = target.closest('form');
  // Fields of a form may stand outside it, in what is exchanged.
  const brings =
    form && !detail.target.contains(form) && [...form.elements].some((field) => detail.target.contains(field));
  if (form && (form.contains(detail.target) || brings)) asked.set(detail.xhr, { form, text: written(form) });
});
document.addEventListener('htmx:beforeSwap', ({ detail }) => {
  const then = asked.get(detail.xhr);
  if (!then || then.text === written(then.form)) return;
  detail.shouldSwap = false;
  window.htmx.trigger(detail.requestConfig.elt, 'change');
});

// A field whose line says something is marked for those who do not see the line.
document.addEventListener('htmx:afterSettle', () => {
  document.querySelectorAll('[data-field]').forEach((line) => {
    const field = document.getElementById(line.dataset.field);
    if (field) field.setAttribute('aria-invalid', line.textContent.trim() ? 'true' : 'false');
  });
});

// What is typed into a form to be saved is kept in this browser until the server has it.
function keepDraft(form) {
  const key = `draft:${form.dataset.draft}`;
  const kept = sessionStorage.getItem(key);
  if (kept && form.dataset.filled !== 'true') putBack(form, new URLSearchParams(kept), key);
  form.addEventListener('input', () => {
    const data = new FormData(form);
    data.delete('_csrf');
    sessionStorage.setItem(key, new URLSearchParams(data).toString());
  });
  form.addEventListener('submit', () => sessionStorage.setItem('sent', key));
}

// The version that was seen comes back too, so that what was typed over an older one is told as such.
function putBack(form, kept, key) {
  new Set(kept.keys()).forEach((name) =>
    form.querySelectorAll(`[name="${CSS.escape(name)}"]`).forEach((field, i) => {
      const value = kept.getAll(name)[i];
      if (value !== undefined && field.type !== 'checkbox' && (field.type !== 'hidden' || name === 'seenVersion'))
        field.value = value;
    }),
  );
  form.querySelectorAll('[type=checkbox]').forEach((box) => {
    box.checked = kept.getAll(box.name).includes(box.value);
  });
  showParts(form);
  const rows = form.querySelector('[hx-post]');
  const values = {};
  kept.forEach((value, name) => {
    values[name] = kept.getAll(name);
  });
  if (rows)
    window.htmx.ajax('POST', rows.getAttribute('hx-post'), {
      source: rows,
      target: rows.getAttribute('hx-target'),
      values,
    });
  const note = document.createElement('p');
  note.className = 'notice back';
  note.setAttribute('role', 'status');
  note.append('What you typed here before is back. It is not saved yet. ');
  const away = note.appendChild(document.createElement('button'));
  away.type = 'button';
  away.className = 'act plain';
  away.textContent = 'Discard it';
  away.addEventListener('click', () => {
    sessionStorage.removeItem(key);
    window.location.reload();
  });
  form.prepend(note);
}
document.addEventListener('DOMContentLoaded', () => {
  const sent = sessionStorage.getItem('sent');
  sessionStorage.removeItem('sent');
  if (sent && document.querySelector('[data-kept]')) sessionStorage.removeItem(sent);
  document.querySelectorAll('form[data-draft]').forEach(keepDraft);
});

// What was typed before the scripts were ready is asked for as well.
window.addEventListener('load', () =>
  document.querySelectorAll('form[hx-get]').forEach((form) => {
    const typed = [...form.elements].some(
      (field) => field.matches('input:not([type=checkbox])') && field.value !== field.defaultValue,
    );
    if (typed) form.dispatchEvent(new Event('change', { bubbles: true }));
  }),
);

// A file of lines goes into the field that takes them typed.
document.addEventListener('change', async (event) => {
  const into = event.target.dataset && event.target.dataset.into;
  if (!into || !event.target.files.length) return;
  const field = document.getElementById(into);
  field.value = await event.target.files[0].text();
  field.dispatchEvent(new Event('input', { bubbles: true }));
});

// Times are the reader's own.
document.addEventListener('DOMContentLoaded', () =>
  document.querySelectorAll('.page time[data-at]').forEach((t) => {
    if (Number(t.dataset.at))
      t.textContent = new Date(Number(t.dataset.at)).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' });
  }),
);

// Which device says something, as the bench names it.
document.addEventListener(
  'submit',
  (event) => {
    const field = event.target.querySelector('input[type=hidden][name=device]');
    if (field) field.value = localStorage.getItem('device') || '';
  },
  true,
);
