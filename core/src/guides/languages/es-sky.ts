/** Targets: names, how to find them, what they look like. */
export const skyTexts: Readonly<Record<string, string>> = {
  Mizar: 'Mizar',
  'The bend in the handle of the Plough. A faint star stands close beside it.':
    'La curva del mango del Carro. Tiene una estrella débil muy cerca.',
  'Two white stars close together, and a third a little way off.':
    'Dos estrellas blancas muy juntas, y una tercera un poco más lejos.',
  Albireo: 'Albireo',
  'The head of the Swan, at the far end of its long neck.': 'La cabeza del Cisne, al final de su largo cuello.',
  'Two stars, one golden and one blue. These colours are real.':
    'Dos estrellas, una dorada y otra azul. Estos colores son de verdad.',
  Almach: 'Almach',
  'Start at the corner of the great square. Follow two bright stars; it is the last.':
    'Empieza en la esquina del gran cuadrado. Sigue dos estrellas brillantes; es la última.',
  'A gold star with a small blue one close beside it.': 'Una estrella dorada con una pequeña azul al lado.',
  Castor: 'Cástor',
  'The two bright Twins stand side by side. It is the one nearer to Capella.':
    'Los dos Gemelos brillan uno al lado del otro. Es el más cercano a Capella.',
  'Two white stars, very close. Wait for a moment when the air is still.':
    'Dos estrellas blancas, muy juntas. Espera a que el aire esté en calma.',
  Algieba: 'Algieba',
  'The bright star in the neck of the Lion, north of Regulus.':
    'La estrella brillante en el cuello del León, al norte de Régulo.',
  'Two gold stars, very close. Wait for a moment when the air is still.':
    'Dos estrellas doradas, muy juntas. Espera a que el aire esté en calma.',
  'Cor Caroli': 'Cor Caroli',
  'The lone star in the curve of the Plough’s handle.': 'La estrella sola dentro de la curva del mango del Carro.',
  'A bright star with a fainter one beside it.': 'Una estrella brillante con otra más débil al lado.',
  Mesarthim: 'Mesarthim',
  'The faintest of the three stars that make the head of the Ram.':
    'La más débil de las tres estrellas de la cabeza del Carnero.',
  'Two white stars of the same brightness, like a pair of eyes.':
    'Dos estrellas blancas iguales, como un par de ojos.',
  'the Dolphin’s nose': 'la nariz del Delfín',
  'East of Altair four faint stars make a small diamond. It is the corner farthest from Altair.':
    'Al este de Altair cuatro estrellas débiles hacen un rombo. Es la esquina más lejos de Altair.',
  'Two stars, one a little yellow.': 'Dos estrellas, una un poco amarilla.',
  'the Double Double': 'la Doble Doble',
  'A faint star a finger’s breadth north-east of Vega.': 'Una estrella débil a un dedo de Vega, hacia el noreste.',
  'Two white stars, wide apart.': 'Dos estrellas blancas, muy separadas.',
  'Two stars at low power. At high power each is a close pair.':
    'Dos estrellas con poco aumento. Con mucho, cada una es un par muy junto.',
  'the Crab’s claw': 'la pinza del Cangrejo',
  'A lone star north of the Beehive, about as far as a fist is wide.':
    'Una estrella sola al norte del Pesebre, a un puño de él.',
  'A yellow star with a blue one beside it.': 'Una estrella amarilla con una azul al lado.',
  Algedi: 'Algedi',
  'South of Altair by a little over two fists.': 'Al sur de Altair, a algo más de dos puños.',
  'Two yellow stars, wide apart. Sharp eyes split them without a telescope.':
    'Dos estrellas amarillas, muy separadas. Con buena vista se ven sin telescopio.',
  'Rigil Kentaurus': 'Rigil Kentaurus',
  'The brighter of the two pointers beside the Southern Cross.':
    'El más brillante de los dos punteros, junto a la Cruz del Sur.',
  'Two bright yellow stars close together. They are our nearest neighbours.':
    'Dos estrellas amarillas brillantes y juntas. Son nuestras vecinas más cercanas.',
  Acrux: 'Acrux',
  'The brightest star, at the foot of the Southern Cross.': 'La estrella más brillante, al pie de la Cruz del Sur.',
  'Two blue-white stars, very close, and a third farther off.':
    'Dos estrellas blanco-azules, muy juntas, y una tercera más lejos.',
  'the Sail’s pair': 'la pareja de la Vela',
  'From Canopus a fist and two thirds to the north-east.': 'Desde Canopus, a un puño y dos tercios hacia el noreste.',
  'A bright blue star with a fainter one beside it.': 'Una estrella azul brillante con otra más débil al lado.',
  Acamar: 'Acamar',
  'North of Achernar by two fists, the brightest star of a dull part of the sky.':
    'Al norte de Achernar, a dos puños, la más brillante de una zona pobre del cielo.',
  'Two white stars close together.': 'Dos estrellas blancas muy juntas.',
  'the Pleiades': 'las Pléyades',
  'A small cloud of stars that you see without a telescope, between the Bull’s eye and the Ram.':
    'Una nube pequeña de estrellas que ves sin telescopio, entre el ojo del Toro y el Carnero.',
  'Dozens of blue-white stars. They fill the whole view.':
    'Decenas de estrellas blanco-azules. Llenan todo el campo.',
  'the Beehive': 'el Pesebre',
  'Half-way from the Twins to the Lion. In a dark sky it is a faint patch.':
    'A medio camino de los Gemelos al León. Con cielo oscuro es una mancha débil.',
  'A swarm of some forty stars.': 'Un enjambre de unas cuarenta estrellas.',
  'the Double Cluster': 'el Cúmulo Doble',
  'Half-way from the W of Cassiopeia to Perseus.': 'A medio camino de la W de Casiopea a Perseo.',
  'Two swarms of stars side by side, in one view.':
    'Dos enjambres de estrellas, uno al lado del otro, en un solo campo.',
  'the Twins’ cluster': 'el cúmulo de los Gemelos',
  'At the feet of the Twins, next to the last star.': 'A los pies de los Gemelos, junto a la última estrella.',
  'A round swarm of faint stars, as wide as the Moon.':
    'Un enjambre redondo de estrellas débiles, tan ancho como la Luna.',
  'the Charioteer’s cluster': 'el cúmulo del Cochero',
  'Just outside the ring of the Charioteer, on the Twins’ side.':
    'Justo fuera del anillo del Cochero, en el lado de los Gemelos.',
  'A fine dust of faint stars with a red one in the middle.':
    'Un polvo fino de estrellas débiles con una roja en el centro.',
  'the Great Dog’s cluster': 'el cúmulo del Can Mayor',
  'South of Sirius, less than half a fist.': 'Al sur de Sirio, a menos de medio puño.',
  'A loose swarm of stars.': 'Un enjambre suelto de estrellas.',
  'the Stern’s cluster': 'el cúmulo de la Popa',
  'East of Sirius by a fist and a quarter.': 'Al este de Sirio, a un puño y cuarto.',
  'A bright, scattered handful of stars.': 'Un puñado de estrellas brillantes y sueltas.',
  'the Perseus cluster': 'el cúmulo de Perseo',
  'Half-way from Algol to Almach.': 'A medio camino de Algol a Almach.',
  'Some thirty stars, many of them in pairs.': 'Unas treinta estrellas, muchas de ellas en parejas.',
  'the Swan’s cluster': 'el cúmulo del Cisne',
  'East of Deneb by nearly one fist.': 'Al este de Deneb, a casi un puño.',
  'A wide triangle of some twenty stars.': 'Un gran triángulo de unas veinte estrellas.',
  'the Wild Duck': 'el Pato Salvaje',
  'Follow the tail of the Eagle south-west; it lies just past the last star.':
    'Sigue la cola del Águila hacia el suroeste; está justo tras la última estrella.',
  'A tight fan of very many faint stars.': 'Un abanico cerrado de muchas estrellas débiles.',
  'the Scorpion’s cluster': 'el cúmulo del Escorpión',
  'Beside the sting of the Scorpion, towards the teapot’s spout.':
    'Junto al aguijón del Escorpión, hacia el pico de la tetera.',
  'Bright stars strewn over the whole view.': 'Estrellas brillantes por todo el campo.',
  'the Butterfly': 'la Mariposa',
  'North of the sting of the Scorpion, half a fist.': 'Al norte del aguijón del Escorpión, a medio puño.',
  'Stars in the shape of a butterfly with open wings.': 'Estrellas en forma de mariposa con las alas abiertas.',
  'the Southern Pleiades': 'las Pléyades del Sur',
  'On the side of the Southern Cross away from the pointers, by a fist and a quarter.':
    'Al lado de la Cruz del Sur que no da a los punteros, a un puño y cuarto.',
  'A dozen bright blue stars, wide apart.': 'Una docena de estrellas azules brillantes, muy separadas.',
  'the Wishing Well': 'el Pozo',
  'On the side of the Southern Cross away from the pointers, by one fist.':
    'Al lado de la Cruz del Sur que no da a los punteros, a un puño.',
  'A great many stars of the same brightness, like coins in a well.':
    'Muchísimas estrellas iguales, como monedas en un pozo.',
  'the Jewel Box': 'el Joyero',
  'Close to the arm of the Southern Cross that is nearest to the pointers.':
    'Cerca del brazo de la Cruz del Sur más próximo a los punteros.',
  'A small bright A of stars, one of them red.': 'Una A pequeña y brillante de estrellas, una de ellas roja.',
  'the Hercules cluster': 'el cúmulo de Hércules',
  'In the keystone of Hercules, on the side towards Arcturus, a third of the way from its northern end.':
    'En el cuerpo de Hércules, en el lado de Arturo, a un tercio de su extremo norte.',
  'A round ball of mist. From 130 mm on, its edge is grainy with stars.':
    'Una bola redonda de niebla. Desde 130 mm se ven granos de estrellas en el borde.',
  'the Archer’s ball': 'la bola del Arquero',
  'Just north-east of the top of the teapot’s lid.': 'Justo al noreste de lo alto de la tapa de la tetera.',
  'A big soft ball of mist.': 'Una bola de niebla grande y suave.',
  'the Herdsman’s ball': 'la bola del Boyero',
  'Half-way from Arcturus to Cor Caroli.': 'A medio camino de Arturo a Cor Caroli.',
  'A round patch of mist with a bright middle.': 'Una mancha redonda de niebla con el centro brillante.',
  'the Snake’s ball': 'la bola de la Serpiente',
  'South-west of the Snake’s brightest star, by less than a fist.':
    'Al suroeste de la estrella más brillante de la Serpiente, a menos de un puño.',
  'the Horse’s ball': 'la bola del Caballo',
  'Past the nose of the winged Horse, less than half a fist.':
    'Pasada la nariz del Caballo alado, a menos de medio puño.',
  'A small round mist with a bright point in the middle.':
    'Una niebla pequeña y redonda con un punto brillante en el centro.',
  'the great southern ball': 'la gran bola del sur',
  'North of the pointers by a fist and a half. By eye it is a fuzzy star.':
    'Al norte de los punteros, a un puño y medio. A ojo es una estrella borrosa.',
  'A huge ball of mist, grainy all over.': 'Una bola enorme de niebla, con granos por todas partes.',
  'the Toucan’s ball': 'la bola del Tucán',
  'Beside the Small Cloud. By eye it is a fuzzy star.': 'Junto a la Nube Pequeña. A ojo es una estrella borrosa.',
  'A bright ball with a blazing middle.': 'Una bola brillante con el centro muy vivo.',
  'the Orion Nebula': 'la nebulosa de Orión',
  'South of the belt of Orion, in the middle of the sword.': 'Al sur del cinturón de Orión, en medio de la espada.',
  'A grey-green glow like a wing, with four tiny stars in it.':
    'Una luz gris verdosa como un ala, con cuatro estrellas muy pequeñas dentro.',
  'the Lagoon': 'la Laguna',
  'North of the teapot’s spout by half a fist, like steam.':
    'Al norte del pico de la tetera, a medio puño, como vapor.',
  'A faint glow beside a loose swarm of stars.': 'Una luz débil junto a un enjambre suelto de estrellas.',
  'the Ring': 'el Anillo',
  'In the Lyre, half-way between the two stars farthest from Vega.':
    'En la Lira, entre las dos estrellas más lejos de Vega.',
  'A tiny grey smoke ring.': 'Un anillo de humo gris muy pequeño.',
  'the Dumbbell': 'la Pesa',
  'North of the arrow’s tip, a third of a fist.': 'Al norte de la punta de la Flecha, a un tercio de puño.',
  'A grey box, a little pinched in the middle.': 'Una caja gris, un poco más fina en el medio.',
  'the Keel’s nebula': 'la nebulosa de la Quilla',
  'On the side of the Southern Cross away from the pointers, by a fist and a third. By eye it is a bright patch.':
    'Al lado de la Cruz del Sur que no da a los punteros, a un puño y tercio. A ojo es una mancha brillante.',
  'Grey clouds cut by dark lanes, full of stars.': 'Nubes grises con rayas oscuras, llenas de estrellas.',
  'the Tarantula': 'la Tarántula',
  'At the edge of the Large Cloud.': 'En el borde de la Nube Grande.',
  'A small glow with loops like a spider’s legs.': 'Una luz pequeña con lazos como patas de araña.',
  'the Andromeda Galaxy': 'la galaxia de Andrómeda',
  'A chain of stars leaves a corner of the great square. Go along it to the second star, the corner not counted. From there go two short steps towards Cassiopeia.':
    'Una cadena de estrellas sale de una esquina del gran cuadrado. Síguela hasta la segunda, sin contar la esquina. De ahí, dos pasos cortos hacia Casiopea.',
  'A long grey glow with a bright middle. Its light took over two million years.':
    'Una luz gris alargada con el centro brillante. Su luz tardó más de dos millones de años.',
  'the Sea of Crises': 'el Mar de las Crisis',
  'A dark oval plain with a high rim.': 'Una llanura oscura y ovalada con el borde alto.',
  'the crater Langrenus': 'el cráter Langrenus',
  'A big bright crater with steps inside its walls.': 'Un cráter grande y brillante con escalones en sus paredes.',
  'the crater Petavius': 'el cráter Petavius',
  'A crater with a long straight crack in its floor.': 'Un cráter con una grieta larga y recta en el suelo.',
  'the crater Posidonius': 'el cráter Posidonius',
  'A ring with smaller rings and cracks in it.': 'Un anillo con anillos más pequeños y grietas dentro.',
  'the crater Theophilus': 'el cráter Theophilus',
  'Three great craters in a row; this one has peaks in the middle.':
    'Tres grandes cráteres en fila; este tiene picos en el centro.',
  'the Apennine mountains': 'los montes Apeninos',
  'A long curved chain of mountains that throw long shadows.':
    'Una cadena larga y curva de montes con sombras largas.',
  'the crater Archimedes': 'el cráter Archimedes',
  'A smooth round floor, with two smaller craters beside it.':
    'Un suelo redondo y liso, con dos cráteres más pequeños al lado.',
  'the crater Ptolemaeus': 'el cráter Ptolemaeus',
  'Three big old craters in a row, the largest quite flat.': 'Tres cráteres viejos en fila, el mayor muy llano.',
  'the crater Plato': 'el cráter Plato',
  'A dark oval floor like a lake.': 'Un suelo oscuro y ovalado como un lago.',
  'the crater Tycho': 'el cráter Tycho',
  'A sharp young crater with a peak in the middle.': 'Un cráter joven y nítido con un pico en el centro.',
  'the crater Clavius': 'el cráter Clavius',
  'A huge crater with a curve of smaller ones in it.': 'Un cráter enorme con una curva de otros más pequeños dentro.',
  'the crater Copernicus': 'el cráter Copernicus',
  'A great round crater with steps inside its walls.': 'Un gran cráter redondo con escalones en sus paredes.',
  'the Bay of Rainbows': 'la Bahía del Arcoíris',
  'A half ring of mountains at the edge of a dark plain.': 'Medio anillo de montes al borde de una llanura oscura.',
  'the crater Gassendi': 'el cráter Gassendi',
  'A ring with cracks and two peaks in its floor.': 'Un anillo con grietas y dos picos en el suelo.',
  'the crater Aristarchus': 'el cráter Aristarchus',
  'The brightest spot on the Moon, beside a winding valley.':
    'El punto más brillante de la Luna, junto a un valle que serpentea.',
  'the plain Grimaldi': 'la llanura Grimaldi',
  'A dark oval close to the edge of the Moon.': 'Un óvalo oscuro cerca del borde de la Luna.',
  'the Moon': 'la Luna',
  'You can’t miss it.': 'No se te puede escapar.',
  'Full and glaring. Look at the bright rays; there are hardly any shadows.':
    'Llena y deslumbra. Mira los rayos brillantes; casi no hay sombras.',
  'Craters, best along the edge of the shadow.': 'Cráteres, mejor al borde de la sombra.',
  'On the Moon, close to the edge of the shadow.': 'En la Luna, cerca del borde de la sombra.',
  Venus: 'Venus',
  Jupiter: 'Júpiter',
  Saturn: 'Saturno',
  Mars: 'Marte',
  'A bright point that doesn’t twinkle.': 'Un punto brillante que no parpadea.',
  'A small, very bright disc.': 'Un disco pequeño y muy brillante.',
  'A small half moon.': 'Una media luna pequeña.',
  'A thin, bright crescent.': 'Un cuerno fino y brillante.',
  'A disc with two grey belts, and up to four moons in a row.':
    'Un disco con dos bandas grises, y hasta cuatro lunas en fila.',
  'A small disc. The ring is nearly edge-on this year: a thin line.':
    'Un disco pequeño. Este año el anillo está casi de canto: una línea fina.',
  'A small disc with its ring round it.': 'Un disco pequeño con su anillo.',
  'A tiny orange dot; it is far away just now.': 'Un punto naranja muy pequeño; ahora está lejos.',
  'A small orange disc, with a dark mark or a white cap in good moments.':
    'Un disco naranja pequeño, con una mancha oscura o un casquete blanco en buenos momentos.',
  'bright enough for any sky': 'bastante brillante para cualquier cielo',
  'wants a dark sky, away from lamps': 'pide cielo oscuro, lejos de las luces',
  'the Sun stands low over it, so its shadows are long': 'el Sol está bajo allí, y las sombras son largas',
  'dimmer than usual in this moonlight': 'con esta Luna se ve menos',
  'The Sun doesn’t get low enough: nothing is safe or dark enough to look for.':
    'El Sol no baja lo bastante: nada es seguro ni está oscuro para mirar.',
  'Nothing good tonight: what is up is too low, or too faint for this sky.':
    'Esta noche no hay nada bueno: lo que hay está muy bajo, o es muy débil para este cielo.',
  'hardly at all': 'casi nada',
  'a little': 'un poco',
  'hard, in colours': 'mucho y con colores',
  'sharp and still': 'nítido y quieto',
  'it wavers': 'tiembla',
  'it boils': 'hierve',
  'How many of the Little Bear’s seven stars do you see? The pole star is one, at the end of its tail.':
    '¿Cuántas de las siete estrellas de la Osa Menor ves? La polar es una de ellas, al final de la cola.',
  'How many of the Southern Cross’s five stars do you see? The fifth is the faint one.':
    '¿Cuántas de las cinco estrellas de la Cruz del Sur ves? La quinta es la débil.',
  'The air is steady. Up to {power} is worth a try: {eyepiece}.':
    'El aire está quieto. Vale la pena probar hasta {power}: {eyepiece}.',
  'The air is fair. Stay at {power} or less: {eyepiece}.': 'El aire está regular. No pases de {power}: {eyepiece}.',
  'The air is restless. Stay at {power} or less: {eyepiece}. Planets are sharp for moments only.':
    'El aire está agitado. No pases de {power}: {eyepiece}. Los planetas solo se ven nítidos por momentos.',
  'The air is restless. Use the lowest power alone: {eyepiece}.':
    'El aire está agitado. Usa solo el menor aumento: {eyepiece}.',
  'That is how the library knows this place. Count the stars to know tonight’s sky.':
    'Así es este lugar, según la biblioteca. Cuenta las estrellas para saber cómo está hoy el cielo.',
  'The sky is dark. Faint things are worth it.': 'El cielo está oscuro. Vale la pena buscar cosas débiles.',
  'The sky is fair. Bright clusters and nebulae show, galaxies hardly.':
    'El cielo está regular. Se ven cúmulos y nebulosas brillantes, galaxias apenas.',
  'The sky is bright. Keep to the Moon, the planets and bright clusters.':
    'El cielo está claro. Quédate con la Luna, los planetas y los cúmulos brillantes.',
  'the sky is too bright for it': 'el cielo está demasiado claro',
  'the air is too restless for it': 'el aire está demasiado agitado',
  'Is tonight good enough? Two minutes': '¿Sirve esta noche? Dos minutos',
  'Do stars high up twinkle?': '¿Parpadean las estrellas altas?',
  'The Moon’s edge at the lowest power': 'El borde de la Luna con el menor aumento',
  'The Moon isn’t up': 'La Luna no está',
  'Not tonight': 'Esta noche no',
}
