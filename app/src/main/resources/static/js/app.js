// Small manners of the pages; every figure comes from the server.

// Theme: the device's choice until the builder makes one.
const root = document.documentElement;
const wanted = () => localStorage.getItem('theme') || (matchMedia('(prefers-color-scheme: dark)').matches ? 'dark' : 'light');
root.dataset.bsTheme = wanted();
matchMedia('(prefers-color-scheme: dark)').addEventListener('change', () => { root.dataset.bsTheme = wanted(); });
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
  });
}
document.addEventListener('change', (event) => {
  const form = event.target.closest('form');
  if (form) showParts(form);
});
document.addEventListener('DOMContentLoaded', () => document.querySelectorAll('form').forEach(showParts));
document.addEventListener('htmx:afterSwap', () => document.querySelectorAll('form').forEach(showParts));

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
  if (kept && form.dataset.filled !== 'true') {
    new URLSearchParams(kept).forEach((value, name) => {
      const field = form.elements[name];
      if (field && field.type !== 'hidden' && !(field instanceof RadioNodeList) && field.type !== 'checkbox') field.value = value;
    });
    showParts(form);
  }
  form.addEventListener('input', () => {
    const data = new FormData(form);
    data.delete('_csrf');
    sessionStorage.setItem(key, new URLSearchParams(data).toString());
  });
}
document.addEventListener('DOMContentLoaded', () => {
  document.querySelectorAll('[data-saved-draft]').forEach((saved) => sessionStorage.removeItem(`draft:${saved.dataset.savedDraft}`));
  document.querySelectorAll('form[data-draft]').forEach(keepDraft);
});

// A file of lines goes into the field that takes them typed.
document.addEventListener('change', async (event) => {
  const into = event.target.dataset && event.target.dataset.into;
  if (!into || !event.target.files.length) return;
  const field = document.getElementById(into);
  field.value = await event.target.files[0].text();
  field.dispatchEvent(new Event('input', { bubbles: true }));
});

// Times are the reader's own.
document.addEventListener('DOMContentLoaded', () => document.querySelectorAll('.page time[data-at]').forEach((t) => {
  if (Number(t.dataset.at)) t.textContent = new Date(Number(t.dataset.at)).toLocaleString([], { dateStyle: 'medium', timeStyle: 'short' });
}));
