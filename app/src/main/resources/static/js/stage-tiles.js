// Tiles and limits: elements stay, so that an opened formula stays open while a slider moves.
const marks = { over: '▲', near: '◇', unknown: '?', unpublished: '', open: '' };
const words = { over: 'over ', near: 'too close to call ', unknown: 'not known ', unpublished: '', open: '' };

function part(parent, tag, css, text) {
  const element = document.createElement(tag);
  element.className = css;
  element.textContent = text;
  parent.append(element);
  return element;
}

function marked(element, tone, text) {
  element.replaceChildren();
  if (marks[tone]) {
    part(element, 'span', '', `${marks[tone]} `).setAttribute('aria-hidden', 'true');
    part(element, 'span', 'visually-hidden', words[tone]);
  }
  element.append(text);
}

export function tiles(list) {
  const box = document.getElementById('tiles');
  if (box.children.length !== list.length || [...box.children].some((t, i) => t.dataset.name !== list[i].name)) {
    box.replaceChildren(
      ...list.map((t) => {
        const tile = document.createElement('div');
        tile.className = 'tile';
        tile.dataset.name = t.name;
        part(tile, 'span', 'small-text', t.name);
        part(tile, 'span', 'figure m', '');
        if (t.bars.length) tile.append(document.createElementNS('http://www.w3.org/2000/svg', 'svg'));
        part(tile, 'span', 'under', '');
        const how = document.createElement('details');
        part(how, 'summary', '', 'how').setAttribute('aria-label', `How ${t.name} is worked out`);
        part(how, 'p', 'm', '');
        tile.append(how);
        return tile;
      }),
    );
  }
  list.forEach((t, i) => {
    const tile = box.children[i];
    const figure = tile.querySelector('.figure');
    figure.className = `figure m tone-${t.tone}`;
    marked(figure, t.tone, t.figure);
    tile.querySelector('.under').textContent = t.under;
    tile.querySelector('details p').textContent = t.formula;
    const svg = tile.querySelector('svg');
    if (svg && t.bars.length) bars(svg, t.bars);
  });
}

// Harmonics 2 to 9 against the largest of them.
function bars(svg, shares) {
  const most = Math.max(...shares, 1e-9);
  svg.setAttribute('viewBox', '0 0 200 52');
  svg.setAttribute('class', 'bars');
  svg.setAttribute('role', 'img');
  svg.setAttribute(
    'aria-label',
    `Harmonics: ${shares.map((s, i) => `H${i + 2} ${(100 * s).toPrecision(2)} %`).join(', ')}`,
  );
  const space = 'http://www.w3.org/2000/svg';
  svg.replaceChildren(
    ...shares.flatMap((share, i) => {
      const height = (38 * share) / most;
      const bar = document.createElementNS(space, 'rect');
      bar.setAttribute('x', 4 + 24.5 * i);
      bar.setAttribute('y', 40 - height);
      bar.setAttribute('width', 14);
      bar.setAttribute('height', Math.max(0.5, height));
      const name = document.createElementNS(space, 'text');
      name.setAttribute('x', 11 + 24.5 * i);
      name.setAttribute('y', 51);
      name.textContent = i + 2;
      return [bar, name];
    }),
  );
}

export function limits(list) {
  const body = document.getElementById('limits');
  const opened = [...body.querySelectorAll('details[open]')].map((d) => d.dataset.name);
  body.replaceChildren(
    ...list.map((l) => {
      const row = document.createElement('tr');
      part(row, 'td', '', l.name);
      marked(part(row, 'td', `r m tone-${l.tone}`, ''), l.tone, l.figure);
      const cell = part(row, 'td', 'small-text', `${l.rating} `);
      const how = document.createElement('details');
      how.dataset.name = l.name;
      how.open = opened.includes(l.name);
      part(how, 'summary', '', 'how').setAttribute('aria-label', `How ${l.name} is worked out`);
      part(how, 'span', 'm', l.formula);
      cell.append(how);
      return row;
    }),
  );
}

// What stands at this mains and at the highest; lines stay, so that a reader is not told the same twice.
export function statements(list) {
  const box = document.getElementById('statements');
  const text = JSON.stringify(list);
  if (box.dataset.said === text) return;
  box.dataset.said = text;
  box.replaceChildren(
    ...list.map((l) => {
      const line = document.createElement('div');
      line.className = `said-${l.tone}`;
      part(line, 'dt', '', l.name);
      const said = part(line, 'dd', '', '');
      part(said, 'span', '', `${l.mark} `).setAttribute('aria-hidden', 'true');
      said.append(l.text);
      return line;
    }),
  );
}

// What is played is not said and decides: one tap says it, and keeps it with the amp.
export function dutyAsked(question) {
  const box = document.getElementById('duty-asked');
  box.hidden = !question;
  box.replaceChildren();
  if (!question) return;
  const asked = part(box, 'p', 'mb-1', '');
  part(asked, 'b', 'tone-near', '◇ What is played?');
  asked.append(` It decides: ${question.limits}.`);
  question.answers.forEach((a) => {
    const button = part(box, 'button', 'act plain', `${a.words}: ${a.standing}`);
    button.type = 'button';
    button.dataset.fill = 'duty';
    button.dataset.value = a.duty;
    if (box.dataset.keep) Object.assign(button.dataset, { keep: box.dataset.keep, token: box.dataset.token });
  });
}
