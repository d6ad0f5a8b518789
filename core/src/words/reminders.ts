import type { ReminderKind } from '../loans/reminders.ts'
import { NAME_PLACEHOLDER, type Letter } from './letter.ts'

export const reminderLanguages = ['en', 'es'] as const
export type ReminderLanguage = (typeof reminderLanguages)[number]

export const reminderWords: Readonly<Record<ReminderKind, string>> = {
  'promise-made': 'a kit was promised',
  'pick-up': 'pick-up is tomorrow',
  'due-soon': 'the kit is due back soon',
  'late-1': 'late, first letter',
  'late-2': 'late, second letter',
  'late-3': 'late, third letter',
  'report-received': 'somebody wrote to us from their guide',
  'finder-off': 'a kit’s finder is known to be off',
}

/** What a text may name; each is put in when the letter is written, the name only when it is read or sent. */
export const reminderBlanks = ['name', 'kit', 'from', 'until', 'time', 'branch'] as const
export type ReminderBlanks = Readonly<Record<Exclude<(typeof reminderBlanks)[number], 'name'>, string>>

const NAME = NAME_PLACEHOLDER

const english: Readonly<Record<ReminderKind, Letter>> = {
  'promise-made': {
    subject: '{{kit}} is promised to you from {{from}}',
    body: `Dear ${NAME},

{{kit}} is yours from {{from}}, {{time}}, until {{until}}. Please come and fetch it at {{branch}}.

If you can’t come after all, tell us: somebody else will be glad of it.

{{branch}}
`,
  },
  'pick-up': {
    subject: '{{kit}} is ready for you: {{from}}, {{time}}',
    body: `Dear ${NAME},

{{kit}} waits for you at {{branch}} on {{from}} from {{time}}. An adult has to fetch it; please allow ten minutes, so that we can go through the case together.

{{branch}}
`,
  },
  'due-soon': {
    subject: '{{kit}} is due back on {{until}}',
    body: `Dear ${NAME},

{{kit}} is due back on {{until}}. If you would like to keep it longer, ask us: if nobody is waiting for it, you may.

Before you pack it: are all the caps on, and is everything that has a battery switched off?

{{branch}}
`,
  },
  'late-1': {
    subject: '{{kit}} was due back on {{until}}',
    body: `Dear ${NAME},

{{kit}} was due back on {{until}}. That happens. Please bring it back in the next few days, or tell us if something keeps you from it.

{{branch}}
`,
  },
  'late-2': {
    subject: '{{kit}} is still out: it was due on {{until}}',
    body: `Dear ${NAME},

{{kit}} was due back on {{until}} and isn’t here yet. Somebody else may be waiting for it. Please bring it back, or answer this letter and tell us when you can.

{{branch}}
`,
  },
  'late-3': {
    subject: 'Please bring {{kit}} back: it was due on {{until}}',
    body: `Dear ${NAME},

we have written twice about {{kit}}, which was due back on {{until}}. Please bring it back this week or ring us. If it is lost or broken, tell us: we will find a way together.

{{branch}}
`,
  },
  'report-received': {
    subject: 'Thank you: what you wrote about {{kit}} is here',
    body: `Dear ${NAME},

what you wrote about {{kit}} has arrived, and somebody reads it before the kit goes out again. If you can’t observe with it as it is, ring us or bring it back earlier; you needn’t wait for {{until}}.

{{branch}}
`,
  },
  'finder-off': {
    subject: 'The finder of {{kit}} points a little beside',
    body: `Dear ${NAME},

the finder of {{kit}} doesn’t point exactly where the telescope does. Begin with the eyepiece that has the longest focal length, its largest number in mm, and sweep a little around the place.

Your guide says how to line the finder up on something far away on land. Do that only where the telescope can’t meet the Sun: never point it anywhere near the Sun.

{{branch}}
`,
  },
}

const spanish: Readonly<Record<ReminderKind, Letter>> = {
  'promise-made': {
    subject: '{{kit}} está reservado para usted desde el {{from}}',
    body: `Hola, ${NAME}:

{{kit}} es para usted desde el {{from}}, a las {{time}}, hasta el {{until}}. Puede recogerlo en {{branch}}.

Si al final no puede venir, avísenos: seguro que otra persona lo aprovecha.

{{branch}}
`,
  },
  'pick-up': {
    subject: '{{kit}} ya está listo: {{from}}, {{time}}',
    body: `Hola, ${NAME}:

{{kit}} le espera en {{branch}} el {{from}} a partir de las {{time}}. Tiene que recogerlo una persona adulta; cuente con diez minutos para que repasemos juntos el contenido de la maleta.

{{branch}}
`,
  },
  'due-soon': {
    subject: '{{kit}} se devuelve el {{until}}',
    body: `Hola, ${NAME}:

{{kit}} se devuelve el {{until}}. Si quiere quedárselo más tiempo, pregúntenos: si nadie lo espera, puede hacerlo.

Antes de guardarlo: ¿están puestas todas las tapas y está apagado todo lo que lleva pila?

{{branch}}
`,
  },
  'late-1': {
    subject: '{{kit}} debía volver el {{until}}',
    body: `Hola, ${NAME}:

{{kit}} debía volver el {{until}}. A todos nos pasa. Tráigalo en los próximos días, por favor, o díganos si algo se lo impide.

{{branch}}
`,
  },
  'late-2': {
    subject: '{{kit}} sigue prestado: debía volver el {{until}}',
    body: `Hola, ${NAME}:

{{kit}} debía volver el {{until}} y todavía no está aquí. Puede que alguien lo esté esperando. Tráigalo, por favor, o responda a esta carta y díganos cuándo podrá.

{{branch}}
`,
  },
  'late-3': {
    subject: 'Por favor, devuelva {{kit}}: debía volver el {{until}}',
    body: `Hola, ${NAME}:

le hemos escrito dos veces por {{kit}}, que debía volver el {{until}}. Tráigalo esta semana, por favor, o llámenos. Si se ha perdido o roto, díganoslo: buscaremos una solución juntos.

{{branch}}
`,
  },
  'report-received': {
    subject: 'Gracias: hemos recibido su mensaje sobre {{kit}}',
    body: `Hola, ${NAME}:

hemos recibido lo que nos escribió sobre {{kit}}, y alguien lo leerá antes de que vuelva a prestarse. Si así no puede observar, llámenos o tráigalo antes; no hace falta esperar al {{until}}.

{{branch}}
`,
  },
  'finder-off': {
    subject: 'El buscador de {{kit}} apunta un poco desviado',
    body: `Hola, ${NAME}:

el buscador de {{kit}} no apunta exactamente adonde apunta el telescopio. Empiece con el ocular de mayor distancia focal, el de más milímetros, y explore un poco alrededor.

Su guía explica cómo alinear el buscador con algo lejano en tierra. Hágalo solo donde el telescopio no pueda encontrarse con el Sol: nunca lo apunte cerca del Sol.

{{branch}}
`,
  },
}

export const reminderTexts: Readonly<Record<ReminderLanguage, Readonly<Record<ReminderKind, Letter>>>> = {
  en: english,
  es: spanish,
}

/** A text with its blanks filled; `{{name}}` stays, so that the kept letter names nobody. */
export const fillReminder = ({ subject, body }: Letter, blanks: ReminderBlanks): Letter => {
  const fill = (text: string) =>
    Object.entries(blanks).reduce((filled, [blank, value]) => filled.replaceAll(`{{${blank}}}`, value), text)
  return { subject: fill(subject), body: fill(body) }
}

/** Blanks in a text that there are none of: a slip of the pen that a borrower would read. */
export function unknownBlanks(text: string): readonly string[] {
  const found = [...text.matchAll(/\{\{([^{}]*)\}\}/g)].map(([, blank = '']) => blank)
  return [...new Set(found.filter((blank) => !(reminderBlanks as readonly string[]).includes(blank)))]
}
