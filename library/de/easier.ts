import type { EasierWords } from '../shape';

/** Leichtere Fassungen: was anders ist, die Anleitung, die kurze Erinnerung. */
export const easier: EasierWords = {
  'slow-belly-breaths': [
    'Atmen, wie es kommt.',
    'Eine Hand am Bauch. Lass den Atem von selbst kommen und gehen und schau ihm nur zu.',
    'Dem Atem zuschauen, nicht lenken.',
  ],
  'nose-in-mouth-out': [
    'Nase ein, Nase aus.',
    'Atme durch die Nase ein und durch die Nase etwas länger aus.',
    'Durch die Nase ein und aus.',
  ],
  'warm-palms-over-eyes': [
    'Hände im Schoß.',
    'Schließ die Augen und lass die Hände im Schoß ruhen.',
    'Augen zu, Hände im Schoß.',
  ],
  'travelling-palms': [
    'Nur eine Stelle.',
    'Leg die warmen Hände auf die Brust und bleib dort.',
    'Die Hände ruhen auf der Brust.',
  ],
  'closing-word': [
    'In Stille.',
    'Hände im Schoß. Wir schließen gemeinsam mit einem ruhigen Ausatmen.',
    'Gemeinsam ruhig ausatmen.',
  ],
  'shoulder-rolls-both-ways': [
    'Eine Schulter nach der anderen.',
    'Kreise nur mit einer Schulter, klein und langsam, dann mit der anderen.',
    'Eine Schulter nach der anderen, klein.',
  ],
  'chest-circles': [
    'Nur vor und zurück.',
    'Beweg das Brustbein ein wenig vor und zurück, ohne Kreis.',
    'Brustbein vor und zurück.',
  ],
  'elbow-circles-with-breath': [
    'Hängende Arme.',
    'Lass die Arme hängen und kreise nur die Schultern mit dem Atem.',
    'Die Schultern kreisen mit dem Atem.',
  ],
  'chin-over-shoulder': [
    'Halber Weg.',
    'Dreh den Kopf nur halb und lass die Augen weiterschauen.',
    'Halb drehen, die Augen schauen weiter.',
  ],
  'head-half-circles': [
    'Nur nicken.',
    'Lass das Kinn sinken und wiederkommen, ohne zur Seite zu rollen.',
    'Das Kinn sinkt und kommt wieder.',
  ],
  'spread-finger-drumming': [
    'Ruhende Finger.',
    'Leg die gespreizten Finger auf die Kopfhaut und lass sie ruhen.',
    'Die Finger ruhen auf der Kopfhaut.',
  ],
  'hair-root-lifts': [
    'Nur halten.',
    'Schließ die Finger weich an den Wurzeln und halt, ohne zu heben.',
    'Weich halten, nicht heben.',
  ],
  'hair-root-circles': [
    'Eine Stelle, ganz leicht.',
    'Fingerspitzen über die Ohren, winzige leichte Kreise an einer Stelle.',
    'Winzige leichte Kreise über den Ohren.',
  ],
  'fingers-together-on-the-scalp': [
    'Ohne Druck.',
    'Leg die gespreizten Finger an die Kopfseiten und atme.',
    'Die Finger ruhen an den Kopfseiten.',
  ],
  'shampoo-kneading': [
    'Leicht wie Schaum.',
    'Beweg die Finger leicht wie Schaum über die Kopfhaut.',
    'Leicht wie Schaum.',
  ],
  'crown-circles': [
    'Auf dem Scheitel ruhen.',
    'Leg eine Hand auf den Scheitel und atme.',
    'Eine Hand ruht auf dem Scheitel.',
  ],
  'back-of-crown-circles': [
    'Hinter dem Scheitel ruhen.',
    'Leg eine Hand hinter den Scheitel und atme.',
    'Eine Hand ruht hinter dem Scheitel.',
  ],
  'front-neck-pulses': [
    'Halb so viele.',
    'Spann die Halshaut bei jedem zweiten Atemzug weich an und lass los.',
    'Ein weicher Puls bei jedem zweiten Atemzug.',
  ],
  'tongue-palate-press': [
    'Halbe Kraft.',
    'Leg die ganze Zunge an den Gaumen und drück nur leicht.',
    'Zunge am Gaumen, leicht.',
  ],
  'tongue-toward-nose': [
    'Nur zur Lippe.',
    'Streck die Zunge nur bis zur Oberlippe und halt sie dort.',
    'Zunge zur Oberlippe.',
  ],
  'tongue-corner-to-corner': [
    'Im Mund.',
    'Lippen zu. Die Zungenspitze berührt von innen einen Winkel und den anderen.',
    'Von Winkel zu Winkel, Lippen zu.',
  ],
  'side-neck-lift': [
    'Ohne Heben.',
    'Dreh den Kopf ein wenig und spüre nur den langen Muskel an der Seite.',
    'Etwas drehen, nicht heben.',
  ],
  'soft-jaw-drop': [
    'Die Lippen bleiben zu.',
    'Hände auf die Wangen. Lass nur die Zähne hinter geschlossenen Lippen auseinander.',
    'Zähne auseinander, Lippen zu.',
  ],
  'jaw-drop-under-temple-palms': [
    'Die Lippen bleiben zu.',
    'Hände an die Schläfen. Lass nur die Zähne hinter geschlossenen Lippen auseinander.',
    'Zähne auseinander, Lippen zu.',
  ],
  'smiling-o-lip-pulses': [
    'Ohne Pulse.',
    'Kleines O, lächelnde Winkel, und einfach halten.',
    'Kleines O und halten.',
  ],
  'o-to-smile': [
    'Halb so groß.',
    'Ein kleines O, dann ein kleines Lächeln und zurück.',
    'Kleines O, kleines Lächeln.',
  ],
  'folded-lip-press': [
    'Ohne Druck.',
    'Falte beide Lippen ein und lass sie aufeinander ruhen.',
    'Lippen eingefaltet, in Ruhe.',
  ],
  'pucker-hold': [
    'Leicht gespitzt.',
    'Schieb die Lippen nur wenig vor und halt leicht.',
    'Leicht gespitzt.',
  ],
  'corner-pull-against-fingers': [
    'Ohne Finger.',
    'Zieh die Mundwinkel von selbst zusammen und lass los.',
    'Winkel zusammen, ohne Finger.',
  ],
  'corner-squeeze-against-fingers': [
    'Ohne Finger.',
    'Spann die Mundwinkel von selbst an und lass los.',
    'Winkel anspannen, ohne Finger.',
  ],
  'thumbs-level-corners': [
    'Nur schauen.',
    'Schau in den Spiegel und heb beide Winkel ohne Hände auf eine Höhe.',
    'Winkel auf eine Höhe, ohne Hände.',
  ],
  'level-smile-tongue-corners': [
    'Ohne Lächeln.',
    'Der Mund ruht. Drück die Zungenspitze leicht in den Winkel.',
    'Zunge leicht in den Winkel.',
  ],
  'lip-flutter': [
    'Ein langer Atem.',
    'Lass den Atem lang durch lockere Lippen hinaus; sie müssen nicht flattern.',
    'Lang durch lockere Lippen ausatmen.',
  ],
  'quick-lip-pinches': [
    'Leichtes Tippen.',
    'Tipp mit einer Fingerspitze um die Lippen, statt zu zupfen.',
    'Um die Lippen tippen.',
  ],
  'kiss-press': [
    'Ohne Finger.',
    'Schick einen weichen Kuss in die Luft und lass los.',
    'Ein weicher Kuss in die Luft.',
  ],
  'closed-mouth-tongue-circles': [
    'Kleine Kreise.',
    'Lippen zu. Die Zunge kreist klein, nur hinter der Oberlippe.',
    'Kleine Kreise hinter der Oberlippe.',
  ],
  'full-cheeks-with-taps': [
    'Halb voll, wenig Klopfen.',
    'Füll die Wangen halb und klopf langsam auf einer Seite.',
    'Halb voll, langsam klopfen.',
  ],
  'air-side-to-side': [
    'Halb so viel Luft.',
    'Füll eine Wange halb und lass die Luft langsam hinüberwandern.',
    'Halb so viel Luft, langsam hinüber.',
  ],
  'air-up-and-down': [
    'Nur oben.',
    'Schieb etwas Luft unter die Oberlippe und lass sie wieder gehen.',
    'Etwas Luft oben und los.',
  ],
  'smile-pulses': [
    'Ohne Pulse.',
    'Lächle halb mit geschlossenen Lippen und halt es weich.',
    'Halbes Lächeln und halten.',
  ],
  'tucked-lip-smile-pulses': [
    'Ohne Pulse.',
    'Zieh die Lippen ein, lächle ein wenig und halt.',
    'Lippen eingezogen, kleines Lächeln, halten.',
  ],
  'light-purse-cheek-smile': [
    'Nur das Lächeln.',
    'Lass die Lippen, wie sie sind, und lächle mit den oberen Wangen.',
    'Mit den oberen Wangen lächeln.',
  ],
  'fish-lips-smile': [
    'Ohne Lächeln.',
    'Zieh die Wangen weich ein und lass los.',
    'Wangen ein und los.',
  ],
  'o-breathing': [
    'Nur das O.',
    'Mach ein kleines O und atme weich hindurch.',
    'Durch ein kleines O atmen.',
  ],
  'nostril-flares': [
    'Nur spüren.',
    'Leg die Finger neben die Nasenflügel und spüre, wie sie sich mit dem Atem bewegen.',
    'Die Nasenflügel spüren.',
  ],
  'nose-side-strokes': [
    'Nur hinab.',
    'Streich leicht neben der Nase hinab und heb die Finger ab.',
    'Leicht hinabstreichen.',
  ],
  'forehead-palms-eyes-wide': [
    'Augen nur offen.',
    'Hände an die Stirn. Schau mit offenen Augen in die Ferne.',
    'Hände an der Stirn, in die Ferne schauen.',
  ],
  'gaze-side-to-side': [
    'Augen geschlossen.',
    'Schließ die Augen und lass sie hinter den Lidern von Seite zu Seite wandern.',
    'Hinter geschlossenen Lidern von Seite zu Seite.',
  ],
  'gaze-far-holds': [
    'Halb so weit.',
    'Schau nur halb zur Seite und bleib dort.',
    'Halb zur Seite.',
  ],
  'gaze-up-and-down': [
    'Augen geschlossen.',
    'Schließ die Augen und lass sie hinter den Lidern hinauf und hinab wandern.',
    'Hinter geschlossenen Lidern hinauf und hinab.',
  ],
  'gaze-up-hold': [
    'Halb so hoch.',
    'Schau nur ein wenig nach oben und bleib dort.',
    'Etwas nach oben und bleiben.',
  ],
  'gaze-down-hold': [
    'Halb so tief.',
    'Schau nur ein wenig nach unten und bleib dort.',
    'Etwas nach unten und bleiben.',
  ],
  'gaze-circles': [
    'Augen geschlossen.',
    'Schließ die Augen und lass sie hinter den Lidern einen kleinen Kreis ziehen.',
    'Kleine Kreise hinter geschlossenen Lidern.',
  ],
  'gaze-at-brow-centre': [
    'Augen geschlossen.',
    'Schließ die Augen und denk nur an die Stelle zwischen den Brauen.',
    'An die Brauenmitte denken.',
  ],
  'slow-gaze-arcs': [
    'Ein kleiner Bogen.',
    'Zieh mit den Augen nur einen kleinen Bogen, so weit es leicht geht.',
    'Ein kleiner, langsamer Bogen.',
  ],
  'look-up-lift-lower-lids': [
    'Blick nach vorn.',
    'Schau geradeaus und zieh die Unterlider ein wenig hinauf.',
    'Blick nach vorn, Unterlider heben.',
  ],
  'hairline-press-look-down': [
    'Die Hände ruhen nur.',
    'Leg die Hände ohne Druck an den Haaransatz und schau nach unten.',
    'Die Hände ruhen, der Blick geht hinab.',
  ],
  'palm-heel-brow-lift': [
    'Ohne Heben.',
    'Leg die Handballen auf die Brauen und schau nach unten.',
    'Die Hände ruhen, der Blick geht hinab.',
  ],
  'staged-brow-hold': [
    'Zwei Stufen.',
    'Fingerspitzen auf die Brauen. Ankommen, dann sanft drücken und dort atmen.',
    'Ankommen und sanft drücken.',
  ],
  'braced-brow-slow-blink': [
    'Ohne Hände.',
    'Hände im Schoß. Schließ die Augen langsam und öffne sie langsam.',
    'Langsam blinzeln, ohne Hände.',
  ],
  'braced-brow-open-and-shut': [
    'Ohne Hände.',
    'Hände im Schoß. Öffne die Augen und schließ sie weich.',
    'Auf und zu, ohne Hände.',
  ],
  'forehead-finger-sweeps': [
    'Ruhende Hände.',
    'Leg beide Hände auf die Stirn und lass sie ruhen.',
    'Die Hände ruhen auf der Stirn.',
  ],
  'forehead-opposing-hands': [
    'Eine Hand.',
    'Streich mit einer Hand weich über die Stirn.',
    'Eine weiche Hand.',
  ],
  'brow-pinches': [
    'Streichen statt zupfen.',
    'Streich an den Brauen entlang von innen nach außen.',
    'An den Brauen entlang streichen.',
  ],
  'brow-presses': [
    'Ruhende Finger.',
    'Leg die Finger auf den Brauenknochen und atme.',
    'Die Finger ruhen auf dem Brauenknochen.',
  ],
  'thumbs-lift-under-brow': [
    'Auf der Braue selbst.',
    'Leg die Daumen auf die Brauen, weg vom Auge.',
    'Die Daumen ruhen auf den Brauen.',
  ],
  'hook-strokes-between-brows': [
    'Ein Finger.',
    'Streich mit einem Finger langsam zwischen den Brauen hinauf.',
    'Ein Finger zwischen den Brauen hinauf.',
  ],
  'under-eye-circles': [
    'Auf dem Wangenknochen.',
    'Kreise leicht auf dem Wangenknochen, weit unter dem Auge.',
    'Leichte Kreise auf dem Wangenknochen.',
  ],
  'under-eye-ring-finger-sweep': [
    'Auf dem Wangenknochen.',
    'Streich am Wangenknochen entlang, weit unter dem Auge.',
    'Am Wangenknochen entlang streichen.',
  ],
  'cheek-pinches': [
    'Leichtes Klopfen.',
    'Klopf die Wangen mit weichen Fingerspitzen, statt zu zupfen.',
    'Die Wangen klopfen.',
  ],
  'alternate-cheek-lifts': [
    'Eine Hand.',
    'Streich mit einer Hand langsam die Wange hinauf.',
    'Eine Hand die Wange hinauf.',
  ],
  'corner-to-ear-pulls': [
    'Ruhende Finger.',
    'Leg die Finger neben die Mundwinkel und atme.',
    'Die Finger ruhen neben den Winkeln.',
  ],
  'chin-to-ear-hooks': [
    'Flache Hände.',
    'Gleite mit flachen Händen leicht am Kiefer entlang.',
    'Flache Hände am Kiefer entlang.',
  ],
  'jawline-pinches': [
    'Streichen statt zupfen.',
    'Streich am Kiefer entlang vom Kinn zu den Ohren.',
    'Am Kiefer entlang streichen.',
  ],
  'lip-line-pinches': [
    'Leichtes Tippen.',
    'Tipp mit einer Fingerspitze an den Lippenrändern entlang.',
    'An den Lippenrändern tippen.',
  ],
  'ear-squeeze-and-circles': [
    'Nur warme Hände.',
    'Leg die warmen Hände über die Ohren und lausche.',
    'Warme Hände über den Ohren.',
  ],
  'neck-sweep-to-collarbone': [
    'Nur am Schlüsselbein.',
    'Streich leicht am Schlüsselbein entlang und lass den Hals aus.',
    'Leicht am Schlüsselbein entlang.',
  ],
  'upward-slides': [
    'Nur die Wangen.',
    'Gleite mit flachen Händen die Wangen hinauf und lass den Hals aus.',
    'Die Wangen hinaufgleiten.',
  ],
  'downward-drain-slides': [
    'Nur bis zum Kiefer.',
    'Gleite leicht von den Schläfen zum Kiefer und heb die Hände ab.',
    'Von den Schläfen zum Kiefer.',
  ],
  'closing-face-drain': [
    'Nur das Gesicht.',
    'Streich leicht von der Gesichtsmitte zu den Ohren und lass den Hals aus.',
    'Von der Mitte zu den Ohren.',
  ],
  'closing-free-massage': [
    'Ruhende Hände.',
    'Leg die Hände dorthin, wo es dem Gesicht guttut, und lass sie ruhen.',
    'Die Hände ruhen, wo es angenehm ist.',
  ],
  'between-brows-point': [
    'Nur ruhen.',
    'Leg einen Finger ohne Druck zwischen die Brauen.',
    'Ein Finger ruht zwischen den Brauen.',
  ],
  'above-brow-points': [
    'Nur ruhen.',
    'Leg die Finger ohne Druck über die Brauen.',
    'Die Finger ruhen über den Brauen.',
  ],
  'temple-points': [
    'Nur ruhen.',
    'Leg die Hände an die Schläfen und atme.',
    'Die Hände ruhen an den Schläfen.',
  ],
  'skull-base-points': [
    'Warme Hände statt Punkte.',
    'Leg die warmen Hände in den Nacken.',
    'Die Hände ruhen im Nacken.',
  ],
  'below-ear-point': [
    'Nur ruhen.',
    'Leg die Finger ohne Druck unter die Ohrläppchen.',
    'Die Finger ruhen unter den Ohren.',
  ],
  'crown-point': [
    'Nur ruhen.',
    'Leg eine Hand ohne Druck auf den Scheitel.',
    'Eine Hand ruht auf dem Scheitel.',
  ],
};
