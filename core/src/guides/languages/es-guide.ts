/** Blocks, steps and the tree of what doesn’t work. */
export const guideTexts: Readonly<Record<string, string>> = {
  'Before anything else': 'Antes de nada',
  'By day it never stands alone, and children are never alone with it.':
    'De día no se queda nunca solo, y los niños nunca se quedan solos con él.',
  'Caps on when it stands in daylight. An open mirror or lens in the Sun can start a fire, also behind a window.':
    'Tapas puestas si está a la luz del día. Un espejo o una lente al sol puede causar un fuego, también detrás de una ventana.',
  'Who carries what': 'Quién lleva qué',
  'The whole kit weighs {mass}: two people, or a trolley. Carry it in parts.':
    'Todo el equipo pesa {mass}: dos personas, o un carrito. Llévalo por partes.',
  'The whole kit weighs {mass}. Carry it in its case.': 'Todo el equipo pesa {mass}. Llévalo en su maleta.',
  'Never lift anything by the finder.': 'No levantes nunca nada por el buscador.',
  'The weight is small and heavy. Keep your toes clear of it.':
    'El contrapeso es pequeño y pesa mucho. Aparta los pies.',
  'What is in the case': 'Qué hay en la maleta',
  'Look through it now, and once more before you bring it back.':
    'Míralo todo ahora, y otra vez antes de devolverlo.',
  'Screws go back into their holes. Nothing is wiped.': 'Los tornillos vuelven a su sitio. No se limpia nada.',
  'The coin cell': 'La pila de botón',
  'The finder’s coin cell stays behind its screwed door.':
    'La pila del buscador se queda detrás de su tapa atornillada.',
  'A swallowed cell burns within two hours. If a child may have swallowed one, act at once: {emergency}.':
    'Una pila tragada causa quemaduras graves en menos de dos horas. Si un niño puede haber tragado una, actúa ya: {emergency}.',
  'Set it up': 'Móntalo',
  'A good place': 'Un buen sitio',
  'At night: know your ground, dress warmly, keep off roads, stay with children.':
    'De noche: mira dónde pisas, abrígate, lejos de la carretera, no dejes solos a los niños.',
  'A sturdy table on firm ground, away from house walls and lamps.':
    'Una mesa firme en suelo firme, lejos de paredes y farolas.',
  'Firm, level ground, away from house walls and lamps.': 'Suelo firme y llano, lejos de paredes y farolas.',
  'Never look through a window. Glass and warm air blur everything.':
    'No mires nunca a través de una ventana. El cristal y el aire caliente lo hacen todo borroso.',
  'Give your eyes twenty minutes in the dark. Switch your phone’s page to ember.':
    'Deja a tus ojos veinte minutos a oscuras. Pon la página de tu móvil en modo ascua.',
  'A chair for adults, a stool for children.': 'Una silla para los mayores, un taburete para los niños.',
  'Set the tube so low that you can look while you sit.': 'Pon el tubo tan bajo que puedas mirar sentado.',
  'Keep your hands off the tube while you look.': 'No toques el tubo mientras miras.',
  'Let the child look first. A hand on the stool steadies more than a hand on the tube.':
    'Deja que el niño mire primero. Una mano en el taburete ayuda más que una mano en el tubo.',
  'Finder, then focus': 'El buscador, luego el enfoque',
  'Take {low eyepiece}. Turn the focus until a far lamp or a star is as small as it gets.':
    'Toma {low eyepiece}. Enfoca hasta que una luz lejana o una estrella se vea lo más pequeña posible.',
  'Put a far lamp or the Moon in the middle of the view. Then look through the finder: it must point at it too.':
    'Pon una luz lejana o la Luna en el centro. Luego mira por el buscador: también tiene que señalarla.',
  'If it doesn’t, turn the finder’s two small knobs until the dot sits on it. Don’t move the tube.':
    'Si no, gira las dos ruedas pequeñas del buscador hasta que el punto caiga encima. No muevas el tubo.',
  'If it doesn’t, turn the finder’s small screws until the cross sits on it. Don’t move the tube.':
    'Si no, gira los tornillos pequeños del buscador hasta que la cruz caiga encima. No muevas el tubo.',
  'The view in such a finder stands on its head. That is as it should be.':
    'La imagen de este buscador está cabeza abajo. Es lo normal.',
  'Then put in {next eyepiece} and look once more. Is it still on it? Then both point the same way.':
    'Luego pon {next eyepiece} y mira otra vez. ¿Sigue encima? Entonces los dos apuntan al mismo sitio.',
  'All of one kind and one age. Count them in, and count them out again.':
    'Todas del mismo tipo y de la misma edad. Cuéntalas al ponerlas y al sacarlas.',
  'Keep the plugs dry.': 'Los enchufes, secos.',
  'Point it': 'Apúntalo',
  'The keys turn it: fast to find, slow to centre. Don’t push the tube by hand, or it loses its place.':
    'Las teclas lo mueven: rápido para buscar, despacio para centrar. No empujes el tubo con la mano, o pierde su posición.',
  'A hand under the tube. Turn the base round, then tip the tube up or down.':
    'Una mano bajo el tubo. Gira la base y luego inclina el tubo hacia arriba o hacia abajo.',
  'Hold the tube by its upper rim. Push it round, then up or down. It stays where you leave it.':
    'Sujeta el tubo por el borde de arriba. Empújalo hacia un lado y luego hacia arriba o hacia abajo. Se queda donde lo dejas.',
  'Hold the tube. Turn the handle loose, point it, and turn the handle tight again.':
    'Sujeta el tubo. Afloja la palanca, apúntalo y vuelve a apretarla.',
  'Hold the tube. Open the head’s lock, point it, and close the lock again.':
    'Sujeta el tubo. Abre el freno del cabezal, apúntalo y vuelve a cerrarlo.',
  'Hold the tube. Open both locks, swing it round and up, and close them again.':
    'Sujeta el tubo. Abre los dos frenos, muévelo hacia un lado y hacia arriba, y vuelve a cerrarlos.',
  'Hold the tube at its back end. Swing it round and up. It stays where you leave it.':
    'Sujeta el tubo por detrás. Muévelo hacia un lado y hacia arriba. Se queda donde lo dejas.',
  'Hold the tube. Open the lock of the tilted axis, turn to the side of the sky you want, and close the lock.':
    'Sujeta el tubo. Abre el freno del eje inclinado, gira hacia el lado del cielo que quieras y cierra el freno.',
  'Then open the other lock, swing the tube along, and close it.':
    'Luego abre el otro freno, mueve el tubo y ciérralo.',
  'The eyepiece went round to the back? Hold the tube, open both rings a little, turn the tube in them, and close them.':
    '¿El ocular ha quedado por detrás? Sujeta el tubo, abre un poco las dos anillas, gira el tubo dentro y ciérralas.',
  'Both eyes open: bring the dot onto the star. Then look at the lowest power.':
    'Con los dos ojos abiertos, lleva el punto sobre la estrella. Luego mira con el menor aumento.',
  'Bring the star onto the finder’s cross. Then look at the lowest power.':
    'Lleva la estrella a la cruz del buscador. Luego mira con el menor aumento.',
  'Sight along it at the star. Then look at the lowest power.':
    'Apunta con él a la estrella. Luego mira con el menor aumento.',
  'For the last bit, turn the rods. One won’t turn? Don’t force it: turn it back, and point again.':
    'Para lo último, gira los mandos. ¿Uno no gira más? No lo fuerces: gíralo al revés y apunta otra vez.',
  'Not in view? Move in small circles around the place. Don’t change the eyepiece.':
    '¿No se ve? Muévelo en círculos pequeños alrededor del sitio. No cambies el ocular.',
  'The pole star stands {fists} fists above the ground, due north. It is no bright star, but the brightest near there.':
    'La estrella polar está a {fists} puños sobre el suelo, justo al norte. No brilla mucho, pero es la más brillante de esa zona.',
  'The two stars at the end of the Plough’s bowl point to it. It is five times as far away as they are apart.':
    'Las dos estrellas del final del cazo de la Osa Mayor la señalan. Está cinco veces más lejos que la distancia entre ellas.',
  'No bright star marks the south pole of the sky. It lies due south, {fists} fists above the ground.':
    'Ninguna estrella brillante marca el polo sur del cielo. Está justo al sur, a {fists} puños sobre el suelo.',
  'The long bar of the Southern Cross points to it, four and a half times its own length on.':
    'El palo largo de la Cruz del Sur lo señala, a cuatro veces y media su propio largo.',
  'The full Moon dazzles? Put the front cap on again and take out the small cap in it.':
    '¿Te deslumbra la Luna llena? Vuelve a poner la tapa delantera y quita la tapa pequeña que lleva.',
  'The erecting eyepiece is for land by day, far from the Sun. For the sky take the others.':
    'El ocular inversor es para ver tierra de día, lejos del Sol. Para el cielo usa los otros.',
  '{chain} doesn’t come to focus on this telescope. Leave it out.':
    '{chain} no llega a enfocar en este telescopio. No lo uses.',
  'The sky moves. Turn it on its tilted axis only, and it follows.':
    'El cielo se mueve. Gíralo solo en su eje inclinado, y lo sigue.',
  'Keep cells and plugs dry. Never lever a cell out.':
    'Pilas y enchufes, secos. No hagas palanca para sacar una pila.',
  'Brace up, only now': 'Solo ahora, sube el tirante',
  'Spreader off, only now': 'Solo ahora, quita la placa',
  'Look at the dot with both eyes open.': 'Mira el punto con los dos ojos abiertos.',
  'Turn the tube so that the finder is on your left.': 'Gira el tubo hasta que el buscador quede a tu izquierda.',
  'Lowest power first': 'Primero, poco aumento',
  'Begin with {low eyepiece}. It shows the most sky, at {low power}, so things are easy to find.':
    'Empieza con {low eyepiece}. Muestra más cielo, a {low power}: así es fácil encontrar las cosas.',
  'When you have found something and it holds still, try {next eyepiece}, at {next power}.':
    'Cuando hayas encontrado algo y no tiemble, prueba {next eyepiece}, a {next power}.',
  'Turn the focus again each time. Each pair of eyes needs its own.':
    'Enfoca de nuevo cada vez. Cada par de ojos necesita su enfoque.',
  'The {barlow} comes last, and only on a steady night.': '{barlow} va al final, y solo en una noche en calma.',
  'A higher number on the eyepiece means a lower power.': 'Un número más alto en el ocular da menos aumento.',
  'One eyepiece has a wide barrel, 50.8 mm. It goes in without the adapter; the narrow ones need it.':
    'Un ocular tiene el casquillo ancho, de 50,8 mm. Entra sin el adaptador; los estrechos lo necesitan.',
  'What you will see': 'Lo que vas a ver',
  'Don’t expect pictures in colour. Your eye sees faint things in grey.':
    'No esperes fotos en color. Tu ojo ve gris lo que es débil.',
  'Moon: craters, best along the edge of the shadow.': 'La Luna: cráteres, mejor al borde de la sombra.',
  'Planets: small, bright, and sharp for moments.': 'Los planetas: pequeños, brillantes, y nítidos por momentos.',
  'Jupiter’s belts, Saturn’s ring, bright clusters, the brightest nebulae as grey clouds.':
    'Las bandas de Júpiter, el anillo de Saturno, cúmulos brillantes, y las nebulosas más brillantes como nubes grises.',
  'Jupiter’s moons, Saturn’s ring, bright clusters such as the Pleiades.':
    'Las lunas de Júpiter, el anillo de Saturno, cúmulos brillantes como las Pléyades.',
  'Start with the Moon if it is up. It never lets you down.': 'Empieza por la Luna si ya ha salido. No falla nunca.',
  Tonight: 'Esta noche',
  'Follow the sky': 'Sigue al cielo',
  'The motors follow the sky by themselves once it is lined up.':
    'Los motores siguen al cielo solos cuando está alineado.',
  'The sky moves. Turn the rod of the tilted axis only, and it follows.':
    'El cielo se mueve. Gira solo el mando del eje inclinado, y lo sigue.',
  'Near the pole the axes feel wrong. Go slowly there.': 'Cerca del polo los ejes se mueven raro. Ve despacio allí.',
  'The sky moves. Nudge the tube a little every half minute.':
    'El cielo se mueve. Empuja el tubo un poco cada medio minuto.',
  'True south lies {needle} to the left of where the compass’s south end points.':
    'El sur verdadero queda {needle} a la izquierda de donde señala el extremo sur de la brújula.',
  'True south lies {needle} to the right of where the compass’s south end points.':
    'El sur verdadero queda {needle} a la derecha de donde señala el extremo sur de la brújula.',
  'True north lies {needle} to the left of where the compass points.':
    'El norte verdadero queda {needle} a la izquierda de donde señala la brújula.',
  'True north lies {needle} to the right of where the compass points.':
    'El norte verdadero queda {needle} a la derecha de donde señala la brújula.',
  'Here the compass points true, to within a degree.':
    'Aquí la brújula señala bien, con un grado de error como mucho.',
  'Read the compass an arm’s length away from the mount. Iron turns its needle.':
    'Lee la brújula a un brazo de distancia de la montura. El hierro desvía la aguja.',
  'Look east, and the tube is on the west side of its stand. Look west, and it is on the east side. Under the pole it is the other way round.':
    'Si miras al este, el tubo queda en el lado oeste del pie. Si miras al oeste, en el lado este. Bajo el polo es al revés.',
  'The hand controller': 'El mando de mano',
  'It asks these things in this order. Answer daylight saving with care: that is the most frequent fault.':
    'Pregunta esto en este orden. Cuidado con la hora de verano: es el fallo más común.',
  'The finder is in line first. Then line the mount up on two bright stars, well apart. If one is hidden, take the next.':
    'Primero se alinea el buscador. Luego alinea la montura con dos estrellas brillantes, lejos una de otra. Si una está tapada, toma la siguiente.',
  'Point the axis at the pole': 'Apunta el eje al polo',
  'Set the scale to your latitude and turn the whole stand until the axis points at the pole. For looking that is enough.':
    'Pon la escala en tu latitud y gira todo el pie hasta que el eje mire al polo. Para mirar basta.',
  'After that the stand must not be moved. If it is, do this again.':
    'Después el pie no se mueve más. Si se mueve, hazlo de nuevo.',
  'It doesn’t work': 'No funciona',
  'Your phone’s camera': 'La cámara de tu móvil',
  'Find the Moon with your eye first, at the lowest power.': 'Busca primero la Luna con el ojo, al menor aumento.',
  'It fits over: {phone eyepieces}.': 'Encaja sobre: {phone eyepieces}.',
  'Clamp the phone into its piece, the camera free. Push the other piece over the eyepiece and turn it until it grips.':
    'Sujeta el móvil en su pieza, con la cámara libre. Pon la otra pieza sobre el ocular y gírala hasta que agarre.',
  'Slide the phone until the Moon shines round in the middle of its screen. Then tighten.':
    'Mueve el móvil hasta que la Luna se vea redonda en el centro de la pantalla. Luego aprieta.',
  'Hold the tube meanwhile: the phone makes it heavy at that end.':
    'Mientras tanto, sujeta el tubo: el móvil pesa en ese extremo.',
  'Press the button with the timer, so that nothing shakes.': 'Dispara con el temporizador, para que nada tiemble.',
  'Put it away': 'Guárdalo',
  'Tube off first, then the weight: the other way round it tips over.':
    'Primero fuera el tubo, luego el contrapeso: al revés se cae.',
  'Nothing is wiped. Tell us about any trouble; nobody is blamed.':
    'No se limpia nada. Cuéntanos cualquier problema; nadie tiene la culpa.',
  'The glass and its screws': 'Los cristales y sus tornillos',
  'Leave the glass and its screws to us. Stars look odd? Tell us.':
    'Deja el cristal y sus tornillos para nosotros. ¿Las estrellas se ven raras? Cuéntanoslo.',
  'Leave the mirrors and their screws to us. Stars look like little comets? Tell us.':
    'Deja los espejos y sus tornillos para nosotros. ¿Las estrellas parecen cometas? Cuéntanoslo.',
  'This tube doesn’t always come back the same. Every star has a tail to one side? Slide it shut, open it, lock it again.':
    'Este tubo no siempre queda igual al abrirlo. ¿Todas las estrellas tienen cola hacia el mismo lado? Ciérralo, ábrelo y bloquéalo otra vez.',
  'You may line up the mirror with the help sheet. Small turns, and never over the mirror. Unsure? Tell us.':
    'Puedes alinear el espejo con la hoja de ayuda. Giros pequeños, y nunca encima del espejo. ¿Dudas? Cuéntanoslo.',
  'You see nothing but black': 'Solo ves negro',
  'Both caps off, front and eyepiece?': '¿Las dos tapas fuera, delante y en el ocular?',
  'Is {low eyepiece} in?': '¿Está puesto {low eyepiece}?',
  'Is {low eyepiece} in, and no Barlow?': '¿Está puesto {low eyepiece}, sin la Barlow?',
  'Diagonal in?': '¿La diagonal puesta?',
  'Point at the Moon or a far lamp. Where does the finder point?':
    'Apunta a la Luna o a una luz lejana. ¿Adónde mira el buscador?',
  'Beside it': 'Al lado',
  'move the tube': 'mueve el tubo',
  'Move the tube until the finder points right at it. Then look again.':
    'Mueve el tubo hasta que el buscador la señale. Luego mira otra vez.',
  'On it, still black': 'Encima, y sigue negro',
  'line the finder up': 'alinea el buscador',
  'Sweep slowly round it in small circles until something bright comes in.':
    'Barre despacio en círculos pequeños hasta que entre algo brillante.',
  'Now leave the tube alone and turn the finder’s knobs until the dot sits on it.':
    'Ahora no toques el tubo y gira las ruedas del buscador hasta que el punto caiga encima.',
  'Now leave the tube alone and turn the finder’s screws until the cross sits on it.':
    'Ahora no toques el tubo y gira los tornillos del buscador hasta que la cruz caiga encima.',
  'No dot at all': 'No hay punto',
  'switch, battery': 'interruptor, pila',
  'Turn its switch to the end. Is there a paper tab in the battery? Pull it.':
    'Gira el interruptor hasta el final. ¿Hay una tira de papel en la pila? Tira de ella.',
  'Still no dot? Look along the tube instead, and tell us. Leave the battery door shut.':
    '¿Sigue sin punto? Mira a lo largo del tubo, y cuéntanoslo. No abras la tapa de la pila.',
  'Then: focus, dew on the glass, clouds.': 'Luego: enfoque, rocío en el cristal, nubes.',
  'You see a blur': 'Se ve borroso',
  'Not through a window, not over a warm roof?': '¿No miras por una ventana, ni por encima de un tejado caliente?',
  'Turn the focus slowly through its whole way. Does it get sharp?':
    'Gira el enfoque despacio de un extremo al otro. ¿Se ve nítido?',
  'For a moment': 'Un momento',
  'turn slower': 'gira más despacio',
  'Stop where it is smallest. Each eyepiece and each pair of eyes needs its own focus.':
    'Para donde se ve más pequeño. Cada ocular y cada par de ojos necesita su enfoque.',
  'your country’s emergency number or poison line': 'el número de emergencias o el de intoxicaciones de tu país',
  'dew, eyepiece, glass': 'rocío, ocular, cristal',
  'dew, eyepiece, mirror': 'rocío, ocular, espejo',
  'Dew? Hold the eyepiece in your warm hand for a minute. Don’t wipe anything.':
    '¿Rocío? Ten el ocular un minuto en la mano caliente. No limpies nada.',
  'Is the diagonal in? Use the one that bends the light at a right angle, 90°.':
    '¿Está puesta la diagonal? Usa la que dobla la luz en ángulo recto, 90°.',
  'A star like a little comet? That is the mirror: leave it to us, and tell us.':
    '¿Una estrella parece un cometa? Es el espejo: déjalo para nosotros, y cuéntanoslo.',
  'A star like a little comet? Leave the glass to us, and tell us.':
    '¿Una estrella parece un cometa? Deja los cristales para nosotros, y cuéntanoslo.',
  'It trembles': 'Tiembla',
  'touch, ground, wind': 'manos, suelo, viento',
  'Let go of it and count to five. Firm ground helps most.': 'Suelta y cuenta hasta cinco. El suelo firme ayuda más.',
  'Let go of it and count to five. Shorter legs and firm ground help most.':
    'Suelta y cuenta hasta cinco. Patas más cortas y suelo firme ayudan más.',
  'Then: give it half an hour outdoors to cool down.': 'Luego: déjalo media hora fuera para que se enfríe.',
  'It slips or sinks': 'Resbala o se hunde',
  'Both clutches closed, firm and no more?': '¿Los dos frenos cerrados, firmes y no más?',
  'Tray twisted until it locks?': '¿La bandeja girada hasta que queda bloqueada?',
  'Tray screwed on until it presses on all three legs?': '¿La bandeja enroscada hasta apretar las tres patas?',
  'All three wing nuts of the plate turned home?': '¿Las tres palomillas de la placa apretadas hasta el tope?',
  'Brace snapped straight?': '¿El tirante bien recto, con su clic?',
  'Legs spread all the way?': '¿Las patas abiertas del todo?',
  'Which way does it sink?': '¿Hacia dónde se hunde?',
  'The tube’s end sinks': 'Se hunde el tubo',
  'balance, tension': 'equilibrio, tensión',
  'Hold the tube. Open the weight’s screw a little, not out, and move the weight outward, towards its end stop.':
    'Sujeta el tubo. Abre un poco el tornillo del contrapeso, sin sacarlo, y llévalo hacia fuera, hacia su tope.',
  'Tighten the tension a little, until it stays.': 'Aprieta un poco la tensión, hasta que se quede.',
  'Turn the handle a little, until it stays.': 'Gira un poco el mango, hasta que se quede.',
  'Close its clutch, firm and no more.': 'Cierra su freno, firme y nada más.',
  'Take the lighter eyepiece. Does it still sink? Tell us.':
    'Pon el ocular más ligero. ¿Se hunde todavía? Cuéntanoslo.',
  'The weight sinks': 'Se hunde el contrapeso',
  'weight inward': 'contrapeso adentro',
  'Hold the tube. Open the weight’s screw a little, not out, and move the weight inward.':
    'Sujeta el tubo. Abre un poco el tornillo del contrapeso, sin sacarlo, y llévalo hacia dentro.',
  'The tube turns or slides': 'El tubo gira o resbala',
  'hold it, then tighten': 'sujétalo, luego aprieta',
  'Hold the tube with one hand. Tighten what clamps it. If it still moves, take it down and tell us.':
    'Sujeta el tubo con una mano. Aprieta lo que lo sujeta. Si aún se mueve, bájalo y cuéntanoslo.',
  'Then: point it a little lower and try again.': 'Luego: apunta un poco más bajo y prueba otra vez.',
  'It goes to the wrong place, or not at all': 'Va a otro sitio, o no se mueve',
  'Controller plugged in before the mount was switched on?': '¿El mando estaba puesto antes de encender la montura?',
  'The pack’s own switch on?': '¿Está encendida la batería?',
  'What does it do?': '¿Qué hace?',
  'Nothing lights up': 'No se enciende nada',
  'power|supply': 'corriente',
  'Try the other plug end. Keep everything dry. Cells go in as the drawing in the door shows.':
    'Prueba el otro extremo del cable. Que todo esté seco. Las pilas van como muestra el dibujo de la tapa.',
  'It points far off': 'Apunta muy lejos',
  'daylight saving, home': 'hora de verano, inicio',
  'Begin anew from home. Check daylight saving first, then the date, then the place.':
    'Empieza otra vez desde la posición de inicio. Mira primero la hora de verano, luego la fecha, luego el lugar.',
  'It points a little off': 'Apunta un poco fuera',
  'line up again': 'alinea otra vez',
  'Line it up anew on two bright stars. In the middle of the view, with the higher power.':
    'Alinea otra vez con dos estrellas brillantes. En el centro, con más aumento.',
  'Then: use it by hand, with its keys.': 'Luego: úsalo a mano, con sus teclas.',
  'Something is missing or doesn’t fit': 'Falta algo o no encaja',
  'Looked in the lid, under the foam and in the pouch?': '¿Has mirado en la tapa, bajo la espuma y en la bolsita?',
  'What is it?': '¿Qué es?',
  'A part is missing': 'Falta una pieza',
  'tell us now': 'dínoslo ya',
  'Tell us which one. Don’t put anything else in its place.': 'Dinos cuál. No pongas otra cosa en su lugar.',
  'stop, no force': 'para, sin fuerza',
  'Stop, and force nothing. A picture helps us most.': 'Para, y no fuerces nada. Una foto nos ayuda mucho.',
  'The coin cell is gone': 'No está la pila de botón',
  'act at once': 'actúa ya',
  'A swallowed cell burns within two hours. If a child may have swallowed it, act at once: {emergency}.':
    'Una pila tragada causa quemaduras graves en menos de dos horas. Si un niño puede haberla tragado, actúa ya: {emergency}.',
  'Then ring us.': 'Luego llámanos.',
  'Look before you touch': 'Mira antes de tocar',
  'Take the parts out in the order of the contents card.': 'Saca las piezas en el orden de la ficha.',
  'Look at the glass. All in one piece? Don’t touch or wipe it.':
    'Mira el cristal. ¿Está entero? No lo toques ni lo limpies.',
  'Back every screw off as far as you need, never right out.': 'Afloja cada tornillo lo justo, sin sacarlo nunca.',
  'Find a sturdy table': 'Busca una mesa firme',
  'A picnic table is fine. A card table shakes.': 'Una mesa de picnic va bien. Una mesa plegable tiembla.',
  'Set the base down and press on the edge: nothing may rock.': 'Pon la base y aprieta el borde: nada debe moverse.',
  'Lift it by its base': 'Cógelo por la base',
  'Both hands under the base, not by the tube.': 'Las dos manos bajo la base, no en el tubo.',
  'Set it down with all three feet on the table.': 'Déjalo con sus tres pies en la mesa.',
  'Slide the tube open': 'Abre el tubo',
  'Pull both rods fully out until they stop. Lock them both.':
    'Saca las dos varillas hasta el tope. Bloquea las dos.',
  'Set the tension': 'Ajusta la tensión',
  'Turn the knob at the arm until the tube moves smoothly and stays where you leave it.':
    'Gira la rueda del brazo hasta que el tubo se mueva suave y se quede donde lo dejas.',
  'Put the finder on': 'Pon el buscador',
  'Put the finder on and switch it on': 'Pon el buscador y enciéndelo',
  'The battery door stays screwed shut. A swallowed cell burns within two hours: call the emergency line at once.':
    'La tapa de la pila queda atornillada. Una pila tragada causa quemaduras graves en menos de dos horas: llama ya a emergencias.',
  'Take the caps off': 'Quita las tapas',
  'Take the whole front cap off, not only the small cap in its middle.':
    'Quita toda la tapa de delante, no solo la pequeña del centro.',
  'Take the focuser’s cap off.': 'Quita la tapa del enfocador.',
  'Keep the caps in your pocket or in the case.': 'Guarda las tapas en el bolsillo o en la maleta.',
  'Put the lowest power in': 'Pon el ocular de menor aumento',
  'Take {low-eyepiece}. No Barlow yet.': 'Toma {low-eyepiece}. Aún sin la Barlow.',
  'Take {low-eyepiece}.': 'Toma {low-eyepiece}.',
  'No Barlow yet.': 'Aún sin la Barlow.',
  'Try three moves': 'Prueba tres movimientos',
  'Point it as high as the head goes: easy to do, and nothing touches the stand?':
    'Apunta tan alto como llegue la cabeza: ¿va fácil, y nada toca el soporte?',
  'Point it straight up: easy to do, and nothing touches the stand?':
    'Apunta recto hacia arriba: ¿va fácil, y nada toca el soporte?',
  'Swing it around on both axes: free?': 'Muévelo en los dos ejes: ¿va libre?',
  'Let go: does it stay exactly there? If not, tell us; don’t force anything.':
    'Suéltalo: ¿se queda justo ahí? Si no, dínoslo; no fuerces nada.',
  'Close it up': 'Ciérralo todo',
  'Switch off and close': 'Apaga y cierra',
  'Switch the finder off.': 'Apaga el buscador.',
  'Switch the mount off, then the pack.': 'Apaga la montura, luego la batería.',
  'Rack the focuser in gently, not against its end.': 'Recoge el enfocador con cuidado, sin llegar al tope.',
  'Turn the focus in gently, not against its end.': 'Recoge el enfoque con cuidado, sin llegar al tope.',
  'All caps on: front, focuser, both ends of each eyepiece.':
    'Todas las tapas: delante, enfocador, los dos lados de cada ocular.',
  'Wet with dew? Leave the caps off indoors for a day before you close anything.':
    '¿Mojado de rocío? Deja un día las tapas fuera, en casa, antes de cerrar nada.',
  'Eyepiece out': 'Quita el ocular',
  'Back its screw off; both end caps on.': 'Afloja su tornillo. Pon sus dos tapas.',
  'Finder off': 'Fuera el buscador',
  'Switched off? Then slide it out; its nuts go straight back on their studs.':
    '¿Apagado? Entonces sácalo; sus tuercas vuelven a su sitio.',
  'Look that it is switched off.': 'Mira que esté apagado.',
  'Slide the tube shut': 'Cierra el tubo',
  'Open both locks. Push the tube together gently.': 'Suelta los dos seguros. Junta el tubo con cuidado.',
  'Pack the case': 'Guarda todo en la maleta',
  'Screws go back into their holes.': 'Los tornillos vuelven a su sitio.',
  'Foam in the right way round.': 'La espuma, del lado bueno.',
  'Small parts go into the labelled pouch. Tick the contents card.':
    'Las piezas pequeñas van en la bolsita. Marca la ficha.',
  'Set the base on level ground': 'Pon la base en suelo llano',
  'Its bottom board lies flat. The centre bolt must not be tight: the base turns with one finger.':
    'Su tabla de abajo queda plana. El tornillo del centro no va apretado: la base gira con un dedo.',
  'Lift the tube into its cradles': 'Pon el tubo en sus apoyos',
  'Two people lift. Both round discs lie in their half-round cradles. Open end to the sky.':
    'Lo levantan dos personas. Los dos discos descansan en sus medias cunas. El lado abierto, hacia el cielo.',
  'Bend your knees, not your back. Nobody stands below.': 'Dobla las rodillas, no la espalda. Nadie se pone debajo.',
  'Lift the tube out': 'Saca el tubo',
  'Two people lift, straight up out of the cradles.': 'Lo levantan dos personas, recto hacia arriba.',
  'Bend your knees, not your back. Toes clear.': 'Dobla las rodillas, no la espalda. Aparta los pies.',
  'Open the legs fully': 'Abre las patas del todo',
  'Stand the legs on firm, level ground. Make all three the same length; short is steady.':
    'Pon las patas en suelo firme y llano. Las tres igual de largas; cortas van más firmes.',
  'Bring the bubble into its ring.': 'Lleva la burbuja a su anillo.',
  'Fingers clear of the joints while a leg slides. Legs locked before anything goes on top.':
    'Los dedos lejos de las juntas cuando una pata se mueve. Las patas, bloqueadas antes de poner nada encima.',
  'Lock the legs with the tray': 'Bloquea las patas con la bandeja',
  'Set the mount head on': 'Pon la cabeza de la montura',
  'Set it down with the peg on the pole side.': 'Ponla con el tope en el lado del polo.',
  'Turn its bolt from below until it holds fast.': 'Gira su tornillo desde abajo hasta que quede firme.',
  'Set your latitude on the scale, then close its clamp.': 'Pon tu latitud en la escala, y cierra el freno.',
  'Turn the whole stand until the axis points north (in the southern hemisphere: south). By eye is good enough.':
    'Gira todo el pie hasta que el eje mire al norte (en el hemisferio sur: al sur). A ojo basta.',
  'From now on the stand stays where it is.': 'Desde ahora el pie no se mueve.',
  'Slide the slow-motion rods on': 'Pon los mandos flexibles',
  'Slide the weight on, before the tube': 'Pon el contrapeso, antes que el tubo',
  'Screw the shaft in.': 'Enrosca la barra.',
  'Tilt the weight until you hear the slug fall clear of the hole.':
    'Inclina el contrapeso hasta oír que la pieza suelta deja libre el agujero.',
  'Slide the weight on, near the end, and turn its screw.':
    'Mete el contrapeso, cerca del final, y gira su tornillo.',
  'Put the end stop back on.': 'Pon otra vez el tope del final.',
  'With the tube on first, the stand tips over. The weight can fall: keep toes clear and put the end stop back.':
    'Con el tubo primero, el pie se cae. El contrapeso puede caer: aparta los pies y pon el tope.',
  'Lay the tube in its rings': 'Pon el tubo en sus anillas',
  'Open both rings. Back their screws off; never take them out.':
    'Abre las dos anillas. Afloja sus tornillos; no los saques nunca.',
  'Lay the tube in, open end to the sky. Close both rings while one hand holds the tube.':
    'Pon el tubo, el lado abierto hacia el cielo. Cierra las dos anillas mientras una mano sujeta el tubo.',
  'Only the rings hold the tube. Let go when both screws are tight and the tube doesn’t turn.':
    'Solo las anillas sujetan el tubo. Suéltalo cuando los dos tornillos aprieten y el tubo no gire.',
  'Balance it with everything on': 'Equilíbralo con todo puesto',
  'Turn the weight’s shaft level and hold it. Open the clutch, let go gently and watch.':
    'Pon la barra del contrapeso horizontal y sujétala. Abre el freno, suelta con cuidado y mira.',
  'Tube side falls: move the weight outward. Weight side falls: move it inward.':
    'Cae el tubo: contrapeso hacia fuera. Cae el contrapeso: hacia dentro.',
  'Now the tube: level, hold it, open its clutch. Slide it in small steps until it stays.':
    'Ahora el tubo: horizontal, sujétalo, abre su freno. Muévelo poco a poco hasta que se quede.',
  'One clutch at a time, a hand on the tube.': 'Un freno cada vez, y una mano en el tubo.',
  'Tube off first, then the weight': 'Primero fuera el tubo, luego el contrapeso',
  'Clutches closed. One person holds the tube, the other opens the rings.':
    'Frenos cerrados. Uno sujeta el tubo, el otro abre las anillas.',
  'With the weight off first, the stand tips over.': 'Si quitas antes el contrapeso, el pie se cae.',
  'Slide the weight off, after the tube': 'Quita el contrapeso, después del tubo',
  'The tube is off? Then hold the weight, open its screw, end stop off, slide it down.':
    '¿El tubo ya está fuera? Sujeta el contrapeso, abre su tornillo, quita el tope, y sácalo.',
  'Leave its screw in: with it out the slug drops.': 'Deja el tornillo dentro: sin él se cae la pieza suelta.',
  'Toes clear of the weight.': 'Aparta los pies del contrapeso.',
  'Slide the rods off': 'Quita los mandos',
  'Back each screw off, not out, and slide the rod off.': 'Afloja cada tornillo, sin sacarlo, y quita el mando.',
  'Take the head off': 'Quita la cabeza',
  'One hand on the head, turn its bolt out from below.': 'Una mano en la cabeza, gira su tornillo desde abajo.',
  'Tray off, only now': 'Solo ahora, fuera la bandeja',
  'Fold the legs': 'Pliega las patas',
  'Legs in, locks closed. Fingers clear of the joints.':
    'Patas recogidas y con sus seguros puestos. Los dedos lejos de las juntas.',
  'Put the tube on the tripod': 'Pon el tubo en el trípode',
  'Lens end to the sky. Turn the bolt under the head while one hand holds the tube.':
    'La lente hacia el cielo. Gira el tornillo de abajo mientras una mano sujeta el tubo.',
  'Screw the handle in.': 'Enrosca la palanca.',
  'Pointed high, the tube must clear the legs. If it touches, turn it round.':
    'Si apuntas alto, el tubo no debe tocar las patas. Si las toca, gíralo.',
  'Put the diagonal in': 'Pon la diagonal',
  'Use the 90° diagonal. It turns the light up to where your eye is.':
    'Usa la diagonal de 90°. Lleva la luz hacia arriba, a tu ojo.',
  'Diagonal out': 'Fuera la diagonal',
  'Back its screw off; caps on both ends.': 'Afloja su tornillo; tapas en los dos lados.',
  'Take the tube off': 'Quita el tubo',
  'Hold the tube, open the bolt under the head.': 'Sujeta el tubo, abre el tornillo de abajo.',
  'Set the arm on the legs': 'Pon el brazo en las patas',
  'Put the tube on': 'Pon el tubo',
  'Turn the clamp sideways, so that the tube can’t slide off backwards.':
    'Gira el cierre hacia un lado, para que el tubo no resbale hacia atrás.',
  'Slide the rail in to its stop, glass end to the sky. Turn the clamp screw while one hand holds the tube.':
    'Mete el carril hasta el tope, el cristal hacia el cielo. Gira el tornillo mientras una mano sujeta el tubo.',
  'Slide the rail in to its stop, large cap to the sky. Turn the clamp screw while one hand holds the tube.':
    'Mete el carril hasta el tope, la tapa grande hacia el cielo. Gira el tornillo mientras una mano sujeta el tubo.',
  'One screw alone holds the tube. Tug gently before you let go, then turn the screw once more.':
    'Un solo tornillo sujeta el tubo. Tira un poco antes de soltar, y gira el tornillo otra vez.',
  'Clutches closed.': 'Frenos cerrados.',
  'Hold the tube with one hand, open its clamp with the other.':
    'Sujeta el tubo con una mano, abre el cierre con la otra.',
  'Clutches closed. Hold the tube with one hand, open its clamp with the other.':
    'Frenos cerrados. Sujeta el tubo con una mano, abre el cierre con la otra.',
  'One screw alone holds the tube: hold it before you open it.':
    'Un solo tornillo sujeta el tubo: sujétalo antes de abrir.',
  'Take the arm off': 'Quita el brazo',
  'One hand on the arm, turn its bolt out from below.': 'Una mano en el brazo, gira su tornillo desde abajo.',
  'Give it power': 'Dale corriente',
  'Plug the 12 V pack in and switch the pack on.': 'Enchufa la batería de 12 V y enciéndela.',
  'Put the AA cells in as the drawing in the door shows.': 'Pon las pilas AA como muestra el dibujo de la tapa.',
  'Plug the hand controller in before you switch the mount on.': 'Enchufa el mando antes de encender la montura.',
  'Keep pack and plugs dry. Use only the charger supplied.':
    'Batería y enchufes, secos. Usa solo su propio cargador.',
  'Tell it where it is': 'Dile dónde está',
  'Level the stand. Bring it to its home position as the card in the lid shows.':
    'Nivela el pie. Llévalo a su posición de inicio, como muestra la ficha de la tapa.',
  'Enter date, time, place and zone. Answer “daylight saving” with care: it is the most frequent fault.':
    'Pon fecha, hora, lugar y zona. Cuidado con la “hora de verano”: es el fallo más común.',
  '{part} is missing; please use a clean bag.': 'Falta: {part}. Usa una bolsa limpia.',
  '{part} is not in this kit at present.': 'Ahora falta en este equipo: {part}.',
  '{part} is damaged; we know about it.': 'Está dañado, y lo sabemos: {part}.',
  'Something else is packed in place of {part}; we know about it.': 'Hay otra pieza en lugar de {part}; lo sabemos.',
  'today, {order}': 'hoy, {order}',
  'day first': 'primero el día',
  'month first': 'primero el mes',
  'year first': 'primero el año',
  'your clock’s time, {clock}': 'la hora de tu reloj, {clock}',
  date: 'fecha',
  time: 'hora',
  zone: 'zona',
  'daylight saving': 'hora de verano',
  longitude: 'longitud',
  latitude: 'latitud',
  elevation: 'altura',
  YES: 'SÍ',
  NO: 'NO',
  standard: 'de invierno',
  'asked separately': 'lo pregunta aparte',
  telescope: 'telescopio',
  sync: 'sincronizar',
  'site or city': 'lugar o ciudad',
  'or a site of your own: {latitude}, {longitude}': 'o un lugar propio: {latitude}, {longitude}',
  'zone, by a place': 'zona, por una ciudad',
  'or the nearest place on its list in your zone': 'o la ciudad de su lista más cercana de tu zona',
  'mount mode': 'tipo de montura',
  'kind of alignment': 'modo de alineación',
  'speed of the keys': 'velocidad de las teclas',
  park: 'aparcar',
  'switching off': 'apagado',
  'two stars': 'dos estrellas',
  'fast to come near, slow to centre': 'rápida para acercarte, lenta para centrar',
  'only with the star in the middle of the field': 'solo con la estrella en el centro del campo',
  'before you switch off, if it offers it': 'antes de apagar, si lo ofrece',
  'mount first, then the pack': 'primero la montura, luego la batería',
  'not known here; 0 will do': 'no la sabemos; vale 0',
  'standard, never {wrong}': 'de invierno, nunca {wrong}',
  'towards the sky': 'hacia el cielo',
  'away from the sky': 'hacia atrás',
  'Never towards the Sun. Point the tube at a lit wall, or at shaded sky on the side away from the Sun. Stand where your own shadow points the same way. Never undo a screw completely. Don’t touch the mirror.':
    'Nunca hacia el Sol. Apunta el tubo a una pared iluminada, o al cielo en el lado contrario al Sol. Ponte donde tu sombra señale hacia el mismo lado. No saques nunca un tornillo. No toques el espejo.',
  'Put the cap with the small hole into the focuser, its light side in. Look through the hole, the tube’s open end up in your view: hold a hand there to be sure.':
    'Pon la tapa del agujero en el enfocador, con el lado claro hacia dentro. Mira por el agujero, con el lado abierto del tubo arriba en tu vista: pon allí una mano para estar seguro.',
  'See the whole mirror with its {clips} clips in the small mirror? If not, stop: that is for us.':
    '¿Ves todo el espejo con sus {clips} grapas en el espejo pequeño? Si no, para: eso es para nosotros.',
  'Find the ring in the mirror’s middle, and the dark hole. The hole belongs in the ring’s middle.':
    'Busca el anillo en el centro del espejo, y el agujero oscuro. El agujero va en el centro del anillo.',
  'Find the dark hole. It belongs in the middle of the mirror’s round edge.':
    'Busca el agujero oscuro. Va en el centro del borde redondo del espejo.',
  'Which screw stands nearest to the side where the ring lies from the hole? At the back of the tube, focuser’s side up, it stands at the same place. That side must go towards the sky.':
    '¿Qué tornillo está más cerca del lado donde queda el anillo, visto desde el agujero? Detrás del tubo, con el enfocador arriba, está en el mismo sitio. Ese lado tiene que ir hacia el cielo.',
  'Which screw stands nearest to the side where the middle of the mirror lies from the hole? At the back of the tube, focuser’s side up, it stands at the same place. That side must go towards the sky.':
    '¿Qué tornillo está más cerca del lado donde queda el centro del espejo, visto desde el agujero? Detrás del tubo, con el enfocador arriba, está en el mismo sitio. Ese lado tiene que ir hacia el cielo.',
  'From behind, clockwise moves the mirror {way} on this telescope. Turn {turn} of a turn, then look: what you see moves by about {size} on the mirror. Small turns, one screw at a time.':
    'Visto desde atrás, girar como el reloj lleva el espejo {way} en este telescopio. Gira {turn} de vuelta, y mira: lo que ves se mueve unos {size} en el espejo. Giros pequeños, un tornillo cada vez.',
  'Tighten the locks evenly, and look again: locking shifts it.':
    'Aprieta los tornillos de bloqueo por igual y mira otra vez: al apretarlos se mueve.',
  'Good enough when the hole’s middle lies no more than {limit} from the ring’s middle; the ring is {ring} across.':
    'Basta si el centro del agujero queda a {limit} o menos del centro del anillo; el anillo mide {ring}.',
  'Good enough when the hole’s middle lies no more than {limit} from the mirror’s middle.':
    'Basta si el centro del agujero queda a {limit} o menos del centro del espejo.',
  'It got worse? Stop, and bring it back as it is. Lining it up takes us ten minutes.':
    '¿Ha ido a peor? Para, y devuélvelo como está. Alinearlo nos lleva diez minutos.',
  'It has nothing to turn. Aim along it and sweep a little at the lowest power.':
    'No tiene nada que girar. Apunta con él y busca alrededor con el menor aumento.',
  'It stops close to the star it names. The brightest one there is it.':
    'Se detiene cerca de la estrella que nombra. La más brillante de allí es esa.',
  'Slide its foot in until it stops, wide end to the sky.':
    'Mete su pie hasta el tope, el lado ancho hacia el cielo.',
  'Slide its foot in until it stops, its window to the sky.': 'Mete su pie hasta el tope, su ventana hacia el cielo.',
  'Pull the paper tab if there is one; switch on. A red dot shows in the window.':
    'Saca la tira de papel si la hay; enciéndelo. En la ventana se ve un punto rojo.',
  'Slide it out by its foot.': 'Sácalo por su pie.',
  'Slide it out by its foot. Its screws stay as they are.': 'Sácalo por su pie. Sus tornillos se quedan como están.',
  'It sits in its ring between two screws and a spring. Pull the spring’s pin back to seat it.':
    'Va en su aro entre dos tornillos y un muelle. Tira del pasador del muelle para asentarlo.',
  'Three screws hold it in its ring. Leave them as they are.':
    'Tres tornillos lo sujetan en su aro. Déjalos como están.',
  'Four screws hold it in its ring. Leave them as they are.':
    'Cuatro tornillos lo sujetan en su aro. Déjalos como están.',
  'Two rings of three screws hold it. Leave them as they are.':
    'Dos aros de tres tornillos lo sujetan. Déjalos como están.',
  'Look along the peep sight': 'Mira por la mirilla',
  'It has nothing to switch on and nothing to turn. Look through its hole along the tube.':
    'No tiene nada que encender ni que girar. Mira por su agujero a lo largo del tubo.',
  'Leave it on the tube.': 'Déjala en el tubo.',
  'Lay the tray over the pin in the middle and push it down.':
    'Pon la bandeja sobre el pasador del centro y empújala hacia abajo.',
  'Twist it until it locks. It keeps the legs from folding.': 'Gírala hasta que encaje. Así las patas no se pliegan.',
  'Nothing is left on the legs? Then twist the tray back and lift it off.':
    '¿Ya no queda nada en las patas? Entonces gira la bandeja al revés y sácala.',
  'Screw the tray on': 'Enrosca la bandeja',
  'Spin the tray onto the rod in the middle until it presses on all three legs.':
    'Enrosca la bandeja en la varilla del centro hasta que apriete las tres patas.',
  'It keeps the legs from folding.': 'Así las patas no se pliegan.',
  'Nothing is left on the legs? Then spin the tray off its rod.':
    '¿Ya no queda nada en las patas? Entonces desenrosca la bandeja de su varilla.',
  'Bolt the spreader on': 'Atornilla la placa de las patas',
  'Hold the plate on its three brackets. Put a bolt through each, its wing nut on top.':
    'Pon la placa en sus tres soportes. Pasa un tornillo por cada uno, con su palomilla encima.',
  'Turn all three wing nuts until they stop. The plate keeps the legs from folding.':
    'Gira las tres palomillas hasta el tope. Así las patas no se pliegan.',
  'Nothing is left on the legs? Then turn the three wing nuts off and put them back on their bolts.':
    '¿Ya no queda nada en las patas? Entonces quita las tres palomillas y ponlas de nuevo en sus tornillos.',
  'Snap the brace straight': 'Estira el tirante hasta que encaje',
  'Push the middle of the brace down until all its arms are straight and it snaps. It keeps the legs from folding.':
    'Empuja el centro del tirante hacia abajo hasta que sus brazos queden rectos y encaje. Así las patas no se pliegan.',
  'Nothing is left on the legs? Then pull the middle of the brace up and let the legs come together.':
    '¿Ya no queda nada en las patas? Entonces levanta el centro del tirante y deja que las patas se junten.',
  'Put them on the side you reach best. Push a rod on all the way, then draw it back by about 6 mm.':
    'Ponlos en el lado que alcances mejor. Mete el mando hasta el fondo, y luego sácalo unos 6 mm.',
  'Line its screw up with the flat of the shaft and turn it home. Now the rod must take the mount with it.':
    'Pon su tornillo frente a la cara plana del eje y apriétalo. Ahora el mando debe mover la montura.',
  'Turn the big knob below it until it holds fast.': 'Gira el pomo grande de abajo hasta que quede firme.',
  'Let its cone sink into the ring on the legs. Turn the safety screw in.':
    'Deja que su cono entre en el aro de las patas. Mete el tornillo de seguridad.',
  'One hand on the head, turn the big knob out.': 'Una mano en la cabeza, gira el pomo grande hasta sacarlo.',
  'One hand on the head, turn the safety screw back and lift it straight up.':
    'Una mano en la cabeza, afloja el tornillo de seguridad y levántala recta.',
  'One hand on the arm, turn the big knob out.': 'Una mano en el brazo, gira el pomo grande hasta sacarlo.',
  'One hand on the arm, turn the safety screw back and lift it straight up.':
    'Una mano en el brazo, afloja el tornillo de seguridad y levántalo recto.',
  'Set the arm with its tube on the legs': 'Pon el brazo con su tubo en las patas',
  'Its tube stays on its arm: nothing slides, nothing is taken off. Lift it by the arm, never by the tube.':
    'El tubo se queda en su brazo: nada se desliza, nada se quita. Levántalo por el brazo, nunca por el tubo.',
  'One hand stays on the arm until it holds.': 'Una mano sigue en el brazo hasta que quede firme.',
  'Take the arm off with its tube': 'Quita el brazo con su tubo',
  'Try the axis locks': 'Prueba los frenos de los ejes',
  'A hand on the tube: open each lock, swing the tube gently, close it again.':
    'Una mano en el tubo: abre cada freno, mueve el tubo con cuidado y ciérralo otra vez.',
  'Lay the tube in its straps': 'Pon el tubo en sus abrazaderas',
  'Open both straps. Back their screws off; never take them out.':
    'Abre las dos abrazaderas. Afloja sus tornillos; no los saques nunca.',
  'Lay the tube in, open end to the sky. Close both straps while one hand holds the tube.':
    'Pon el tubo, el lado abierto hacia el cielo. Cierra las dos abrazaderas mientras una mano sujeta el tubo.',
  'Only the straps hold the tube. Let go when both screws are tight and the tube doesn’t turn.':
    'Solo las abrazaderas sujetan el tubo. Suéltalo cuando los dos tornillos aprieten y el tubo no gire.',
  'Clutches closed. One person holds the tube, the other opens the straps.':
    'Frenos cerrados. Uno sujeta el tubo, el otro abre las abrazaderas.',
  'Put the tube on by its rail': 'Pon el tubo por su carril',
  'The rings stay closed on the tube. Turn the clamp sideways, so that the tube can’t slide off backwards.':
    'Las anillas se quedan cerradas en el tubo. Gira el cierre hacia un lado, para que el tubo no resbale hacia atrás.',
  'Lay the rail into the clamp, large cap to the sky. Turn the clamp screw while one hand holds the tube.':
    'Pon el carril en el cierre, la tapa grande hacia el cielo. Gira el tornillo mientras una mano sujeta el tubo.',
  'The clamp alone holds the tube. Tug gently before you let go, then turn the screw once more.':
    'Solo el cierre sujeta el tubo. Tira un poco antes de soltar, y gira el tornillo otra vez.',
  'Clutches closed. Hold the tube with one hand, open the clamp with the other. The rings stay on.':
    'Frenos cerrados. Sujeta el tubo con una mano, abre el cierre con la otra. Las anillas se quedan puestas.',
  'The clamp alone holds the tube: hold it before you open it.':
    'Solo el cierre sujeta el tubo: sujétalo antes de abrir.',
  'Look for the Sun with it': 'Buscar el Sol con él',
  'One look blinds, through the finder too.': 'Una sola mirada deja ciego, también por el buscador.',
  'Wipe dust off the mirror': 'Quitar el polvo del espejo',
  'Wipe dust off the front lens': 'Quitar el polvo de la lente de delante',
  'Wiping scratches. Dust hardly shows. Tell the library.':
    'Limpiar raya el cristal. El polvo casi no se nota. Díselo a la biblioteca.',
  'Stop and ask when something doesn’t fit': 'Parar y preguntar si algo no encaja',
  'Always. Nobody minds, and nothing breaks.': 'Siempre. A nadie le molesta, y nada se rompe.',
  'Take the weight off while the tube is still on': 'Quitar la pesa con el tubo todavía puesto',
  'It tips over. The weight goes on first and comes off last.':
    'Se cae. La pesa se pone primero y se quita al final.',
  'Carry it by its finder': 'Llevarlo cogido por el buscador',
  'The finder breaks off, and the tube falls.': 'El buscador se rompe, y el tubo se cae.',
  'Stand it outside half an hour before you look, with its caps on':
    'Sacarlo fuera media hora antes de mirar, con las tapas puestas',
  'The air in the tube grows calm, and the view gets sharper.': 'El aire del tubo se calma, y se ve más nítido.',
  '{part}: {wear}. It was so before you.': '{part}: {wear}. Ya estaba así antes de ti.',
}
