// Keys of the session's page; they count while no field is in use.

import { openTicks } from './bench-focus.js';

const press = (selector) => {
  const button = document.querySelector(selector);
  if (button && !button.disabled) button.click();
  return Boolean(button);
};
const declares = (power) => press(`form[data-kind=declare]:has(input[value=${power}]) button`);

function along(bench, stop) {
  const button = stop && [...document.querySelectorAll('.rail input[name=stop]')].find((i) => i.value === stop);
  if (button) button.form.requestSubmit();
  return Boolean(button);
}

function toGroup(number) {
  const group =
    number === '0' ? document.querySelector('.asks') : document.querySelector(`.asks[data-number="${number}"]`);
  const field = group && group.querySelector('input[name=text]:not([disabled])');
  if (field) field.focus();
  return Boolean(field);
}

export function keys(bench) {
  const does = {
    '?': () => document.getElementById('keys').showModal(),
    ArrowRight: () => along(bench(), bench().dataset.after),
    ArrowLeft: () => along(bench(), bench().dataset.before),
    t: () => {
      const tick = openTicks()[0];
      if (tick) tick.click();
      return Boolean(tick);
    },
    a: () => press('#all-ticks'),
    o: () => declares('OFF'),
    i: () => declares('ON_TUBES_IN'),
    u: () => declares('ON_TUBES_OUT'),
    x: () => press('.emergency button'),
  };
  document.addEventListener('keydown', (event) => {
    if (event.ctrlKey || event.altKey || event.metaKey || event.repeat) return;
    const inField = /^(INPUT|SELECT|TEXTAREA)$/.test(event.target.tagName);
    if (event.key === 'Escape' && inField) {
      event.target.blur();
      return;
    }
    if (inField || document.getElementById('keys').open) return;
    const done = /^[0-8]$/.test(event.key) ? toGroup(event.key) : does[event.key] && does[event.key]();
    if (done) event.preventDefault();
  });
}
