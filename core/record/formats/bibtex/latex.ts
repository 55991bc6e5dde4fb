/** Accents by the sign or letter of their command, as the mark that is put behind the letter (Unicode). */
const ACCENTS: Readonly<Record<string, string>> = {
  '`': '\u0300',
  "'": '\u0301',
  '^': '\u0302',
  '~': '\u0303',
  '=': '\u0304',
  '.': '\u0307',
  '"': '\u0308',
  u: '\u0306',
  v: '\u030c',
  H: '\u030b',
  c: '\u0327',
  d: '\u0323',
  b: '\u0331',
  r: '\u030a',
  k: '\u0328',
};

/** Commands that stand for signs. */
const SIGNS: Readonly<Record<string, string>> = {
  aa: 'å',
  AA: 'Å',
  ae: 'æ',
  AE: 'Æ',
  oe: 'œ',
  OE: 'Œ',
  o: 'ø',
  O: 'Ø',
  l: 'ł',
  L: 'Ł',
  ss: 'ß',
  i: 'ı',
  j: 'ȷ',
  dh: 'ð',
  DH: 'Ð',
  th: 'þ',
  TH: 'Þ',
  dj: 'đ',
  DJ: 'Đ',
  ng: 'ŋ',
  NG: 'Ŋ',
  ldots: '…',
  dots: '…',
  textellipsis: '…',
  textendash: '–',
  textemdash: '—',
  textquoteright: '’',
  textquoteleft: '‘',
  textquotedblleft: '“',
  textquotedblright: '”',
  guillemotleft: '«',
  guillemotright: '»',
  textdegree: '°',
  degree: '°',
  textmu: 'µ',
  pm: '±',
  times: '×',
  cdot: '·',
  leq: '≤',
  le: '≤',
  geq: '≥',
  ge: '≥',
  approx: '≈',
  sim: '∼',
  rightarrow: '→',
  to: '→',
  infty: '∞',
  copyright: '©',
  textregistered: '®',
  texttrademark: '™',
  S: '§',
  P: '¶',
  pounds: '£',
  euro: '€',
  texteuro: '€',
  textbackslash: '\\',
  textasciitilde: '~',
  textasciicircum: '^',
  textbar: '|',
  textless: '<',
  textgreater: '>',
  textunderscore: '_',
  alpha: 'α',
  beta: 'β',
  gamma: 'γ',
  delta: 'δ',
  epsilon: 'ε',
  varepsilon: 'ε',
  zeta: 'ζ',
  eta: 'η',
  theta: 'θ',
  iota: 'ι',
  kappa: 'κ',
  lambda: 'λ',
  mu: 'μ',
  nu: 'ν',
  xi: 'ξ',
  pi: 'π',
  rho: 'ρ',
  sigma: 'σ',
  tau: 'τ',
  phi: 'φ',
  varphi: 'φ',
  chi: 'χ',
  psi: 'ψ',
  omega: 'ω',
  Gamma: 'Γ',
  Delta: 'Δ',
  Theta: 'Θ',
  Lambda: 'Λ',
  Xi: 'Ξ',
  Pi: 'Π',
  Sigma: 'Σ',
  Phi: 'Φ',
  Psi: 'Ψ',
  Omega: 'Ω',
};
/** Signs that a backslash takes their meaning from. */
const LITERAL = '&%$_#{}';

/**
 * A text with the commands of LaTeX as people read it: accents and signs as letters, braces and marks of layout gone,
 * what stands in formulas without its dollars. Commands that are not known are left out, their arguments stay.
 */
export function readLatex(text: string): string {
  return new Reader(text).read().normalize('NFC').replace(/\s+/g, ' ').trim();
}

class Reader {
  private at = 0;
  private isMath = false;

  constructor(private readonly text: string) {}

  read(): string {
    let out = '';
    while (this.at < this.text.length) out += this.readSign();
    return out;
  }

  private readSign(): string {
    const { text } = this;
    const sign = text.charAt(this.at++);
    switch (sign) {
      case '\\':
        return this.readCommand();
      case '{':
      case '}':
        return '';
      case '$':
        this.isMath = !this.isMath;
        return '';
      case '~':
        return ' ';
      case '_':
      case '^':
        return this.isMath ? '' : sign;
      case '-':
        return this.take('--') ? '—' : this.take('-') ? '–' : '-';
      case '`':
        return this.take('`') ? '“' : '‘';
      case "'":
        return this.take("'") ? '”' : '’';
      default:
        return sign;
    }
  }

  private readCommand(): string {
    const next = this.text.charAt(this.at);
    if (!/[A-Za-z]/.test(next)) {
      this.at++;
      if (LITERAL.includes(next)) return next;
      if (next in ACCENTS) return this.readAccent(next);
      // `\-` marks where a word may be divided, `\/` corrects a distance, `\\` begins a line.
      return next === '-' || next === '/' ? '' : ' ';
    }
    const name = /^[A-Za-z]+/.exec(this.text.slice(this.at, this.at + 40))?.[0] ?? '';
    this.at += name.length;
    if (name in ACCENTS && name.length === 1) return this.readAccent(name);
    while (this.text.charAt(this.at) === ' ') this.at++;
    if (this.take('{}')) return SIGNS[name] ?? '';
    return SIGNS[name] ?? '';
  }

  /** A letter with its accent: `\'e`, `\'{e}`, `\'\i`, `{\'{\i}}`. */
  private readAccent(accent: string): string {
    while (/[\s{]/.test(this.text.charAt(this.at))) this.at++;
    const letter = this.at < this.text.length ? this.readSign() : '';
    const bare = { ı: 'i', ȷ: 'j' }[letter] ?? letter;
    return bare === '' ? '' : bare.charAt(0) + ACCENTS[accent]! + bare.slice(1);
  }

  private take(sign: string): boolean {
    if (!this.text.startsWith(sign, this.at)) return false;
    this.at += sign.length;
    return true;
  }
}
