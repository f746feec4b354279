// The stage's page: sends what is typed, draws what comes back. Every figure is the server's.
const form = document.getElementById('stage');
const d3 = window.d3;
let asked = 0;
let shown = 0;
let underway = false;
let wanted = false;

function query() {
  return new URLSearchParams(new FormData(form)).toString();
}
function outputs() {
  const value = (name) => form.elements[name].value;
  document.getElementById('out-idle').textContent = `${value('idle')} %`;
  document.getElementById('out-loadFactor').textContent = `× ${value('loadFactor')}`;
  document.getElementById('out-mains').textContent = `${value('mains')} %`;
}
// One question at a time: while a slider moves, only the newest place is asked for next.
async function ask() {
  outputs();
  if (underway) { wanted = true; return; }
  underway = true;
  try {
    do {
      wanted = false;
      const text = query();
      const number = ++asked;
      history.replaceState(null, '', `?${text}`);
      document.getElementById('netlist').href = `/stage/netlist.cir?${text}`;
      const response = await fetch(`/stage/picture?${text}`).catch(() => null);
      if (response && response.ok && number > shown) { shown = number; draw(await response.json()); }
    } while (wanted);
  } finally {
    underway = false;
  }
}
form.addEventListener('input', ask);
form.addEventListener('submit', (event) => { event.preventDefault(); ask(); });

function draw(p) {
  form.querySelectorAll('[aria-invalid]').forEach((f) => f.removeAttribute('aria-invalid'));
  const said = Object.entries(p.said);
  said.forEach(([name]) => { if (form.elements[name]) form.elements[name].setAttribute('aria-invalid', 'true'); });
  document.getElementById('stage-said').textContent = [...said.map(([, s]) => s.sentence), p.trouble].filter(Boolean).join(' ');
  document.querySelector('.stage-body').hidden = !p.chart;
  if (!p.chart) return;
  tiles(p.tiles);
  chart(p);
  curve('heat', p.heat.map((x) => [x.watts, 100 * x.value]), 'watts into the load', 'hottest plate, % of rating', 100);
  curve('distortion', p.distortion.map((x) => [x.watts, 100 * x.value]), 'watts into the load', 'distortion, %', null);
  document.getElementById('accuracy').textContent = p.accuracy;
  document.body.dataset.shown = shown;
}

const marks = { good: '■', over: '▲', unknown: '?', open: '' };
function tiles(list) {
  const box = document.getElementById('tiles');
  box.replaceChildren(...list.map((t) => {
    const tile = document.createElement('div');
    tile.className = 'tile';
    const part = (tag, css, text) => { const e = document.createElement(tag); e.className = css; e.textContent = text; tile.append(e); };
    part('span', 'small-text', t.name);
    part('span', `figure m tone-${t.tone}`, `${marks[t.tone] ? `${marks[t.tone]} ` : ''}${t.figure}`);
    part('span', 'under', t.under);
    return tile;
  }));
}

function axes(svg, x, y, box, xWords, yWords) {
  svg.append('g').attr('class', 'axis').attr('transform', `translate(0,${box.bottom})`).call(d3.axisBottom(x).ticks(7));
  svg.append('g').attr('class', 'axis').attr('transform', `translate(${box.left},0)`).call(d3.axisLeft(y).ticks(6));
  svg.append('text').attr('x', box.right).attr('y', box.bottom + 30).attr('text-anchor', 'end').text(xWords);
  svg.append('text').attr('x', box.left).attr('y', box.top - 8).text(yWords);
}

function chart(p) {
  const c = p.chart;
  const box = { left: 52, right: 740, top: 30, bottom: 390 };
  const svg = d3.select('#chart');
  svg.selectAll('*').remove();
  const mostV = d3.max(c.curves[0].points, (d) => d.volts);
  const mostI = 1.08 * Math.max(d3.max(c.path, (d) => d.amperes), 2.5 * c.idle.amperes);
  const x = d3.scaleLinear([0, mostV], [box.left, box.right]);
  const y = d3.scaleLinear([0, 1000 * mostI], [box.bottom, box.top]);
  const line = d3.line((d) => x(d.volts), (d) => y(1000 * d.amperes));
  svg.append('clipPath').attr('id', 'frame').append('rect').attr('x', box.left).attr('y', box.top).attr('width', box.right - box.left).attr('height', box.bottom - box.top);
  const inside = svg.append('g').attr('clip-path', 'url(#frame)');
  c.curves.forEach((curve) => {
    inside.append('path').attr('class', 'curve').attr('d', line(curve.points));
    const end = curve.points.filter((d) => 1000 * d.amperes <= y.domain()[1]).pop();
    if (end) svg.append('text').attr('x', Math.min(box.right - 4, x(end.volts))).attr('y', Math.max(box.top + 12, y(1000 * end.amperes) - 4)).attr('text-anchor', 'end').text(curve.grid === 0 ? '0 V' : `−${Math.abs(curve.grid)} V`);
  });
  const hyperbola = d3.range(mostV / 80, mostV, mostV / 80).map((volts) => ({ volts, amperes: p.ratedWatts / volts }));
  inside.append('path').attr('class', 'rating').attr('d', line(hyperbola));
  if (Number.isFinite(p.plateVoltsRating)) {
    svg.append('text').attr('x', x(p.plateVoltsRating) + 4).attr('y', box.top + 40).text(`${p.plateVoltsRating} V rated, DC`);
    inside.append('line').attr('class', 'limit').attr('x1', x(p.plateVoltsRating)).attr('x2', x(p.plateVoltsRating)).attr('y1', box.top).attr('y2', box.bottom);
  }
  // The way back runs over the way out: half a cycle shows both.
  const half = (points) => points.slice(points.length / 4, 3 * points.length / 4 + 1);
  if (c.composite.length) inside.append('path').attr('class', 'composite').attr('d', line(half(c.composite)));
  inside.append('path').attr('class', 'path').attr('d', line(half(c.path)));
  inside.append('circle').attr('class', 'idle').attr('cx', x(c.idle.volts)).attr('cy', y(1000 * c.idle.amperes)).attr('r', 6);
  axes(svg, x, y, box, 'plate to cathode, V', 'plate current of one tube, mA');
  const label = svg.append('text').attr('class', 'name').attr('x', box.right).attr('y', box.top - 8).attr('text-anchor', 'end');
  label.text(`screens at ${Math.round(c.screenVolts)} V · dashed one tube, dots both, red ${p.ratedWatts} W`);
  svg.on('pointermove', (event) => {
    const [px, py] = d3.pointer(event);
    const volts = x.invert(px);
    const milli = y.invert(py);
    if (volts > 0 && milli > 0) label.text(`${volts.toFixed(0)} V, ${milli.toFixed(1)} mA: ${(volts * milli / 1000).toFixed(1)} W`);
  });
}

function curve(id, points, xWords, yWords, limit) {
  const box = { left: 42, right: 356, top: 28, bottom: 182 };
  const svg = d3.select(`#${id}`);
  svg.selectAll('*').remove();
  const x = d3.scaleLinear([0, d3.max(points, (d) => d[0])], [box.left, box.right]).nice();
  const y = d3.scaleLinear([0, Math.max(limit ? 1.1 * limit : 0, 1.05 * d3.max(points, (d) => d[1]))], [box.bottom, box.top]);
  if (limit) svg.append('line').attr('class', 'limit').attr('x1', box.left).attr('x2', box.right).attr('y1', y(limit)).attr('y2', y(limit));
  svg.append('path').attr('class', 'path').attr('d', d3.line((d) => x(d[0]), (d) => y(d[1]))(points));
  axes(svg, x, y, box, xWords, yWords);
}

ask();
