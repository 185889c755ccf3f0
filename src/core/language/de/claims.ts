import type { LanguageClaims } from '../language';

export const claims: LanguageClaims = {
  patterns: [
    [/\b(ver|aus)?heil(t|en|te|end\w*|ung\w*|sam\w*|kraft)\b|\bgeheilt\b/i, 'lindern'],
    [
      /\w*entgift\w*|\w*entschlack\w*|\bdetox\w*|\w*giftstoff\w*|\bschlacken\b|\b(spült|schwemmt|leitet) ((?!kein)\S+ ){0,3}aus\b|\bausspül\w*/i,
      'erfrischen',
    ],
    [
      /\bfett\w*(verbrenn|schmelz|abbau|weg)\w*|\b(verbrenn|schmilz|schmelz)\w* ((?!kein)\S+ ){0,2}fett\b|\bfett (\S+ )?(verbrenn|schmelz|weg|abbau)\w*/i,
      'den Muskel wecken',
    ],
    [
      /\w*verjüng\w*|\banti[- ]?aging\w*|\balterung\w* ((?!kein)\S+ ){0,2}(umkehr|rückgängig|stopp|aufhalt)\w*|\bjahre jünger\b/i,
      'geschmeidig halten',
    ],
    [/\bgaranti\w*/i, 'oft'],
    [/\bdauerhaft\w*|\bfür immer\b/i, 'mit regelmäßiger Übung'],
    [
      /\b(besser als|statt|ersetzt|so gut wie) ((?!kein)\S+ ){0,2}(operation(en)?|spritzen?|injektion(en)?|filler|facelift(ing)?|botulinum)\b|\bfacelift(ing)?\b/i,
      'ein anderer Weg',
    ],
    [/\b(ohne|keine|frei von) (jede )?nebenwirkungen\b|\bnebenwirkungsfrei\w*/i, 'sanft'],
    [
      /\b(entfern|beseitig|tilg)\w* ((?!kein)\S+ ){0,2}(falten|doppelkinn)\b|\bfalten (\S+ )?(weg|entfern|beseitig)\w*|\bfaltenfrei\w*/i,
      'manche merken',
    ],
  ],
  denied: /\b(nicht|nie|niemals|nichts|niemand|weder)\b(?! nur)|\bkein\w*\b/i,
};
