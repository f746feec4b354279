// The stage's page: sends what is typed, draws what comes back. Every figure is the server's.
import { operatingChart } from './stage-chart.js';
import { heat, distortion } from './stage-curves.js';
import { Sweeps } from './stage-sweeps.js';
import { tiles, limits, statements, dutyAsked } from './stage-tiles.js';

const form = document.getElementById('stage');
// On a phone only the chart and the figures lie open; the rest is one tap away.
const narrow = window.matchMedia('(max-width: 700px)');
const folded = () =>
  document.querySelectorAll('details.fold').forEach((fold) => {
    fold.open = !narrow.matches;
  });
folded();
// Turned on its side a phone shows no handles, so that nothing may stay folded.
narrow.addEventListener('change', folded);
const by = (id) => document.getElementById(id);
const points = JSON.parse(form.dataset.points || '[]');
const sweeps = new Sweeps();
// More does not fit in an address.
const MOST_MEASURED = 2500;
let asked = 0;
let shown = 0;
let underway = false;
let wanted = false;
let rest = 0;

function query() {
  const data = new FormData(form);
  if ((data.get('measured') || '').length > MOST_MEASURED) data.delete('measured');
  return new URLSearchParams(data).toString();
}
function outputs() {
  const value = (name) => form.elements[name].value;
  by('out-idle').textContent = `${value('idle')} %`;
  by('out-loadFactor').textContent = `× ${value('loadFactor')}`;
  by('out-mains').textContent = `${value('mains')} %`;
}
// One question at a time: while a slider moves, only the newest place is asked for next.
async function ask() {
  outputs();
  sweeps.stop();
  clearTimeout(rest);
  if (underway) {
    wanted = true;
    return;
  }
  underway = true;
  try {
    do {
      wanted = false;
      const text = query();
      const number = ++asked;
      history.replaceState(null, '', `?${text}`);
      by('netlist').href = `/stage/netlist.cir?${text}`;
      // What belongs to this page alone stays here; the load's page moves the load itself.
      const stage = new URLSearchParams(text);
      ['keep', 'measured', 'channel', 'loadFactor'].forEach((name) => stage.delete(name));
      by('to-load').href = `/load?${stage}`;
      const response = await fetch(`/stage/picture?${text}`).catch(() => null);
      if (!response || !response.ok) {
        by('stage-said').textContent =
          'No answer just now: what is shown belongs to an earlier setting. It is asked again with the next change.';
      } else if (number > shown) {
        shown = number;
        draw(await response.json());
      }
    } while (wanted);
  } finally {
    underway = false;
  }
  // The sweeps begin when the slider rests; until then what they showed is marked as of another setting.
  rest = setTimeout(() => {
    // Heard once the slider rests, not with every move.
    by('heard').textContent = [...document.querySelectorAll('.stage-body:not([hidden]) .tile')]
      .slice(0, 5)
      .map((t) => `${t.dataset.name} ${t.querySelector('.figure').textContent}`)
      .join(', ');
    sweeps.ask(query(), form);
  }, 150);
}
form.addEventListener('input', (event) => {
  // The slider takes the idle over from a typed bias.
  if (event.target.name === 'idle') form.elements.at.value = '';
  ask();
});
form.addEventListener('submit', (event) => {
  event.preventDefault();
  ask();
});

function say(said) {
  form.querySelectorAll('.at-field').forEach((s) => s.remove());
  form.querySelectorAll('[aria-invalid]').forEach((f) => {
    f.removeAttribute('aria-invalid');
    f.removeAttribute('aria-describedby');
  });
  Object.entries(said).forEach(([name, complaint]) => {
    const field = form.elements[name];
    if (!field || !field.insertAdjacentElement) return;
    const line = document.createElement('span');
    line.className = 'at-field complaint';
    line.id = `say-${name}`;
    line.append(
      complaint.sentence,
      ...complaint.choices.flatMap((choice) => {
        const take = document.createElement('button');
        take.type = 'button';
        take.className = 'link';
        take.textContent = choice;
        take.addEventListener('click', () => {
          field.value = choice;
          field.focus();
          ask();
        });
        return [' ', take];
      }),
    );
    if (complaint.right) {
      const right = document.createElement('button');
      right.type = 'button';
      right.className = 'link';
      right.textContent = 'It is right';
      right.addEventListener('click', () => {
        form.elements.confirmed.value = complaint.right;
        ask();
      });
      line.append(' ', right);
    }
    field.insertAdjacentElement('afterend', line);
    field.setAttribute('aria-invalid', 'true');
    field.setAttribute('aria-describedby', line.id);
    const folded = field.closest('details');
    if (folded) folded.open = true;
  });
}

function draw(p) {
  say(p.said);
  by('stage-said').textContent = p.trouble;
  if (form.elements.measured.value.length > MOST_MEASURED)
    say({
      ...p.said,
      measured: { sentence: 'About a hundred lines fit here: keep longer tables as results of an amp.', choices: [] },
    });
  ['#statements', '.stage-body', '.curves', '.told-apart'].forEach((part) => {
    form.querySelector(part).hidden = !p.chart;
  });
  by('accuracy').textContent = p.accuracy;
  if (!p.chart) {
    sweeps.clear();
    document.body.dataset.shown = shown;
    return;
  }
  if (form.elements.at.value) {
    form.elements.idle.value = p.idleShare;
    by('out-idle').textContent = `${p.idleShare.toFixed(1)} %, from the typed bias`;
  }
  form.dataset.rated = p.ratedWatts;
  statements(p.statements);
  dutyAsked(p.duty);
  tiles(p.tiles);
  limits(p.limits);
  operatingChart(p, points);
  heat(p.settings);
  distortion(p.settings, p.measured);
  kept(p.settings.slice(1));
  document.body.dataset.shown = shown;
}

// Settings kept beside this one stand in the address, as everything does.
by('keep').addEventListener('click', () => {
  const data = new FormData(form);
  ['keep', 'measured', 'channel'].forEach((name) => data.delete(name));
  const field = document.createElement('input');
  field.type = 'hidden';
  field.name = 'keep';
  field.value = new URLSearchParams(data).toString();
  const all = [...form.querySelectorAll('input[name=keep]')];
  if (all.length > 1) all[0].remove();
  form.append(field);
  ask();
});
function kept(settings) {
  by('kept').replaceChildren(
    ...settings.map((s, i) => {
      const item = document.createElement('li');
      item.dataset.letter = 'AB'[i];
      const name = document.createElement('b');
      name.textContent = `${'AB'[i]}: ${s.label}. `;
      const words = document.createElement('span');
      words.textContent = s.trouble || `From ${'AB'[i]} to now: ${s.changes} `;
      const drop = document.createElement('button');
      drop.type = 'button';
      drop.className = 'link';
      drop.textContent = 'Remove';
      drop.setAttribute('aria-label', `Take setting ${'AB'[i]} away`);
      drop.addEventListener('click', () => {
        form.querySelectorAll('input[name=keep]')[i].remove();
        ask();
      });
      item.append(name, words, drop);
      return item;
    }),
  );
}

ask();
