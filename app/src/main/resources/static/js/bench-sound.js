// What is heard, and what a reader who does not see the page is told. All sounds are off until wanted.

const HELPERS = { speak: false, tone: false, bell: false, goOn: true };

export const wanted = (name) => (localStorage.getItem(name) || (HELPERS[name] ? 'on' : 'off')) === 'on';

export function helpers() {
  Object.keys(HELPERS).forEach((name) => {
    const box = document.getElementById(name);
    box.checked = wanted(name);
    box.onchange = () => localStorage.setItem(name, box.checked ? 'on' : 'off');
  });
}

export function readBack(text) {
  if (!wanted('speak') || !window.speechSynthesis) return;
  speechSynthesis.speak(
    new SpeechSynthesisUtterance(text.replace('mV', 'millivolts').replace('mA', 'milliamps').replace(/ V$/, ' volts')),
  );
}

let audio;
function sounds(hertz, seconds) {
  if (!window.AudioContext) return;
  audio = audio || new AudioContext();
  const tone = audio.createOscillator();
  const level = audio.createGain();
  tone.frequency.value = hertz;
  level.gain.value = 0.08;
  tone.connect(level).connect(audio.destination);
  tone.start();
  tone.stop(audio.currentTime + seconds);
}

// A tone that rises to 660 Hz at the target.
document.addEventListener('input', (event) => {
  const field = event.target;
  if (!field.dataset.target || !wanted('tone')) return;
  const number = parseFloat(field.value.replace(',', '.'));
  if (!(number > 0)) return;
  const milli = /m/.test(field.value) || (!/[a-z]/i.test(field.value) && field.dataset.unit.startsWith('m'));
  const ratio = (milli ? number / 1000 : number) / Number(field.dataset.target);
  sounds(Math.max(120, Math.min(2000, 660 * ratio)), 0.18);
});

const alarming = (bench) =>
  [...bench.querySelectorAll('.findings .tone-over, .found .open')].map((f) => f.textContent.trim());

// An alarm that was not there before is announced at once, whatever is being read.
export function alarms(old, now) {
  const before = new Set(alarming(old));
  const fresh = alarming(now).filter((text) => !before.has(text));
  if (fresh.length === 0) return;
  document.getElementById('alarm').textContent = fresh.join(' ');
  if (wanted('bell')) sounds(880, 0.6);
}

// A reading that the soak wants: told once, by sound where wanted, and in the title until it is taken.
let told = null;
const DUE = '● Reading due · ';
export function due(bench) {
  const at = Number(bench.dataset.due);
  const now = at > 0 && Date.now() >= at;
  const title = document.title.replace(DUE, '');
  document.title = now ? DUE + title : title;
  if (!now || told === at) return;
  told = at;
  document.getElementById('alarm').textContent = 'A reading of the soak is due.';
  if (wanted('bell')) sounds(520, 0.4);
}
