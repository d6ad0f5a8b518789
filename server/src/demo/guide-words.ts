/** What the coordinators of the demo translated themselves: the words of their own models, which no language can know. */
export const demoGuideWords: Readonly<Record<string, Readonly<Record<string, string>>>> = {
  es: {
    'Level the tripod: bubble in its ring.': 'Nivela el trípode: la burbuja, dentro de su círculo.',
    'Turn the arm against its stop, then back until it stands over the side marked N.':
      'Gira el brazo hasta su tope y vuelve atrás hasta que quede sobre el lado marcado N.',
    'Turn the stand until that side faces north. Tube level, open end to the north.':
      'Gira el pie hasta que ese lado mire al norte. El tubo, horizontal y con la boca al norte.',
    'Turn the stand until that side faces north. Tube level, glass end to the north.':
      'Gira el pie hasta que ese lado mire al norte. El tubo, horizontal y con la lente al norte.',
    'Turn the stand until that side faces north. Tube level, lens to the north.':
      'Gira el pie hasta que ese lado mire al norte. El tubo, horizontal y con la lente al norte.',
    'up and round': 'altura y giro',
    'refractor, 420 mm': 'refractor, 420 mm',
    '7 to come near, 3 to centre': '7 para acercarte, 3 para centrar',
    'Weights straight down, tube to the pole: one clutch at a time, a hand on the tube.':
      'Las pesas abajo y el tubo al polo: un freno cada vez, con una mano en el tubo.',
    'Turn each axis by hand until its two index marks stand in one line, then close its clutch.':
      'Gira cada eje a mano hasta que sus dos marcas queden en línea y cierra su freno.',
  },
}
