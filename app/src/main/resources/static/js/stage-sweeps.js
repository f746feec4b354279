// The sweeps: pieces are drawn as they come; a new setting stops the old question.
import { plot } from './stage-curves.js';

const by = (id) => document.getElementById(id);
const places = { TARGET: 'target', CLEAN: 'clean-idle', SCREENS: 'screens' };
const ids = ['over-idle', 'over-load', 'over-mains', 'over-mismatch'];

export class Sweeps {
  stop() {
    if (this.abort) this.abort.abort();
    this.abort = null;
    document.body.dataset.swept = '';
    ids.forEach((id) => by(id).classList.add('stale'));
    Object.values(places).forEach((id) => by(id).classList.add('stale'));
  }

  clear() {
    this.stop();
    this.points = {};
  }

  async ask(query, form) {
    this.stop();
    const abort = new AbortController();
    this.abort = abort;
    const points = {};
    try {
      const response = await fetch(`/stage/sweeps?${query}`, { signal: abort.signal });
      if (!response.ok) return;
      const reader = response.body.pipeThrough(new TextDecoderStream()).getReader();
      let text = '';
      for (;;) {
        const { done, value } = await reader.read();
        if (done) break;
        text += value;
        const lines = text.split('\n');
        text = lines.pop();
        const pieces = lines.filter(Boolean).map((l) => JSON.parse(l));
        if (pieces.some((p) => p.kind === 'BUSY')) {
          setTimeout(() => {
            if (this.abort === abort) this.ask(query, form);
          }, 500);
          return;
        }
        pieces.forEach((p) => this.take(p, points));
        this.draw(points, form);
      }
      document.body.dataset.swept = 'yes';
    } catch (gone) {
      if (gone.name !== 'AbortError')
        by('target').textContent = 'The sweeps did not come through: they are asked for again with the next change.';
    }
  }

  take(piece, points) {
    if (piece.kind === 'POINT') {
      (points[piece.sweep] = points[piece.sweep] || []).push(piece.point);
      return;
    }
    const box = by(places[piece.kind]);
    box.replaceChildren(
      ...piece.words.map((w) => {
        const line = document.createElement('p');
        line.className = 'mb-1';
        line.textContent = w;
        return line;
      }),
    );
    box.classList.remove('stale');
  }

  draw(points, form) {
    const of = (sweep) => points[sweep] || [];
    const live = (id, list) => {
      if (list.length) by(id).classList.remove('stale');
    };
    live('over-idle', of('IDLE'));
    plot(
      'over-idle',
      [
        { name: 'power', css: 'setting-0', points: of('IDLE').map((p) => [100 * p.at, p.watts]) },
        {
          name: 'THD at 1 W',
          css: 'setting-1',
          right: true,
          points: of('IDLE').map((p) => [100 * p.at, 100 * p.distortionAtOneWatt]),
        },
      ],
      { xWords: 'idle, % of the rating', leftWords: 'W', rightWords: 'THD, %', at: Number(form.elements.idle.value) },
    );
    const load = of('LOAD').filter((p) => p.at < 100);
    live('over-load', load);
    plot(
      'over-load',
      [
        { name: 'power', css: 'setting-0', points: load.map((p) => [p.at, p.watts]) },
        { name: 'THD', css: 'setting-1', right: true, points: load.map((p) => [p.at, 100 * p.distortion]) },
      ],
      {
        xWords: 'of the marked load',
        leftWords: 'W',
        rightWords: 'THD, %',
        log: true,
        ticks: [0.25, 0.5, 1, 2, 4],
        at: Number(form.elements.loadFactor.value),
      },
    );
    const open = of('LOAD').find((p) => p.at >= 100);
    by('open-load').textContent = !open
      ? ''
      : Number.isFinite(open.plateVolts)
        ? `▲ Nearly open, × 100: ${(open.plateVolts / 1000).toFixed(2)} kV at a plate, ` +
          `screens ${open.screenWatts.toPrecision(3)} W. Never drive it without a load.`
        : `▲ Nearly open, × 100: ${open.trouble} Never drive it without a load.`;
    const rated = Number(form.dataset.rated) || 1;
    const mains = (sweep) => of(sweep).map((p) => [100 * p.at, (100 * p.plateWatts) / rated]);
    live('over-mains', of('MAINS_TRACKING'));
    plot(
      'over-mains',
      [
        { name: 'follows the mains', css: 'setting-0', points: mains('MAINS_TRACKING') },
        { name: 'held constant', css: 'setting-1', points: mains('MAINS_CONSTANT') },
        { name: 'cathode bias', css: 'setting-2', points: mains('MAINS_CATHODE') },
      ],
      { xWords: 'mains, % of nominal', leftWords: '%', limit: 100, at: Number(form.elements.mains.value) },
    );
    const apart = of('MISMATCH');
    live('over-mismatch', apart);
    plot(
      'over-mismatch',
      [
        {
          name: 'hottest plate',
          css: 'setting-0',
          points: apart.map((p) => [100 * p.at, (100 * p.plateWatts) / rated]),
        },
        {
          name: 'H2 at 1 W',
          css: 'setting-1',
          right: true,
          points: apart.map((p) => [100 * p.at, 100 * p.secondAtOneWatt]),
        },
      ],
      { xWords: 'stronger by, %', leftWords: '% of rating', rightWords: 'H2, %' },
    );
  }
}
