// Where the keyboard goes after an entry: to the next sensible place, never to the top of the page.

const inSight = (element) => !element.closest('details:not([open])') && !element.disabled;

export function fields() {
  return [...document.querySelectorAll('.ask input[name=text]')].filter(inSight);
}

export function openTicks() {
  return [...document.querySelectorAll('.ticks form:not([data-waits]) [role=checkbox][aria-checked=false]')];
}

export function nextField(id) {
  const all = fields();
  const at = all.findIndex((f) => f.id === id);
  return at >= 0 && at + 1 < all.length ? all[at + 1] : null;
}

const unread = () => fields().find((f) => !f.closest('form').querySelector('time[data-at]'));
const forward = () => document.querySelector('.moves .act') || document.querySelector('.declare .act');

function nextTick(id) {
  const ticks = [...document.querySelectorAll('.ticks [role=checkbox]')];
  const at = ticks.findIndex((t) => t.id === id);
  const open = openTicks();
  return ticks.slice(at + 1).find((t) => open.includes(t)) || open[0];
}

// After another stop: what stands there first, a list to confirm or a field.
function first(bench) {
  const places = [
    ...bench.querySelectorAll(
      '.at .ticks form:not([data-waits]) [role=checkbox], .at .ask input[name=text], .at .sign input[name=by]',
    ),
  ].filter(inSight);
  return (
    document.getElementById('all-ticks') ||
    places.find((p) => p.getAttribute('aria-checked') === 'false' || p.name === 'text' || p.name === 'by') ||
    forward()
  );
}

export function focusAfter(bench, entry) {
  const same = entry.field && document.getElementById(entry.field);
  let place;
  switch (entry.kind) {
    case 'read':
      place = nextField(entry.field) || openTicks()[0] || forward();
      break;
    case 'tick':
      place = nextTick(entry.field) || unread() || fields()[0] || forward();
      break;
    case 'enter':
    case 'declare':
    case 'skip':
    case 'stop':
    case 'resume':
      place = first(bench);
      break;
    case 'gone':
      place = openTicks()[0] || unread() || fields()[0] || forward();
      break;
    default:
      place = same && inSight(same) ? same : unread() || forward();
  }
  if (place) place.focus({ preventScroll: entry.kind !== 'enter' && place === same });
}
