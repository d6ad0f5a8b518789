/** What a borrower looks at from afar, and what is answered; from where one looks into the eyepiece. */
export const lookTexts: Readonly<Record<string, string>> = {
  'Loosen the small locks a little.': 'Afloja un poco los tornillos de bloqueo pequeños.',
  'The photo is nearly black. Point the tube at a bright wall, away from the Sun, and take another.':
    'La foto está casi negra. Apunta el tubo a una pared iluminada, lejos del Sol, y haz otra.',
  'The photo is all one brightness. Hold the phone close behind the hole and take another.':
    'La foto tiene la misma luz en todas partes. Acerca el móvil al agujero y haz otra.',
  'No mirror was found in the photo. Hold the phone close, so that the whole mirror shows.':
    'En la foto no se ve ningún espejo. Acerca el móvil para que se vea el espejo entero.',
  'The cap’s light ring was not found in the photo. Put white paper behind the cap’s hole, and take another.':
    'En la foto no se ve el anillo claro de la tapa. Pon papel blanco tras el agujero de la tapa y haz otra.',
  'Too little of the mirror shows. Hold the phone straight and close, and take another.':
    'Se ve muy poco del espejo. Pon el móvil recto y cerca, y haz otra.',
  'It is lined up well. If the view is soft, let the tube cool and wait for calm air.':
    'Está bien alineado. Si la imagen es borrosa, deja enfriar el tubo y espera a que el aire se calme.',
  'That is fine for the Moon and low powers tonight. Planets may look a little soft.':
    'Esta noche basta para la Luna y pocos aumentos. Los planetas pueden verse algo borrosos.',
  'The Moon and low powers still work tonight; planets will look soft. You did nothing wrong.':
    'La Luna y los pocos aumentos sirven esta noche; los planetas se verán borrosos. No has hecho nada mal.',
  'The photo can’t tell which side of the limit it is on. Use low powers tonight.':
    'La foto no dice si pasa del límite o no. Usa pocos aumentos esta noche.',
  'The rings lie in the middle of a round disc: nothing is wrong with it.':
    'Los anillos están en el centro de un disco redondo: todo está bien.',
  'The rings lie a little off the middle. That is fine for tonight; we will look at it.':
    'Los anillos no están del todo en el centro. Para esta noche sirve; ya lo miraremos.',
  'It looks out of line. The Moon still works tonight. Turn nothing: a workshop has to see it.':
    'Parece desalineado. La Luna se ve bien igual. No gires nada: tiene que verlo un taller.',
  'The finder points where the telescope points. Leave it as it is.':
    'El buscador apunta adonde apunta el telescopio. Déjalo así.',
  'Measured: {error} off; the Moon is 30′ wide. With the lowest power things are still in view.':
    'Medido: se desvía {error}; la Luna mide 30′. Con el menor aumento las cosas aún entran en el campo.',
  'Measured: {error} off; the Moon is 30′ wide. What the finder shows will not be in view.':
    'Medido: se desvía {error}; la Luna mide 30′. Lo que muestra el buscador no entrará en el campo.',
  'Not in view at all: the finder is more than {limit} off; the Moon is 30′ wide.':
    'No se ve: el buscador se desvía más de {limit}; la Luna mide 30′.',
  'Set it as this page says, then look once more. Or leave it to us.':
    'Ajústalo como dice esta página y mira otra vez. O déjalo para nosotros.',
  'This finder has nothing to turn. Sweep a little with the lowest power; we will set it.':
    'Este buscador no tiene nada que girar. Busca alrededor con el menor aumento; ya lo ajustaremos.',
  'From behind, turn screw {screw} clockwise: {turn} of a turn. Then take another photo.':
    'Desde atrás, gira el tornillo {screw} como el reloj: {turn} de vuelta. Luego haz otra foto.',
  'From behind, turn screw {screw} anticlockwise: {turn} of a turn. Then take another photo.':
    'Desde atrás, gira el tornillo {screw} al revés que el reloj: {turn} de vuelta. Luego haz otra foto.',
  'No star with rings was found. Turn the focus a little, until the star is a small round disc. Take another photo.':
    'No se encontró una estrella con anillos. Gira un poco el enfoque hasta ver un disco pequeño y redondo. Haz otra foto.',
  'Turn nothing. We will line it up when it is back.': 'No gires nada. Lo alinearemos cuando vuelva.',
  'If you like, follow the steps on this page. If not, leave it to us.':
    'Si quieres, sigue los pasos de esta página. Si no, déjalo para nosotros.',
  'Measured: {error} off, give or take {doubt}. Up to {limit} is fine.':
    'Medido: se desvía {error}, con un margen de {doubt}. Hasta {limit} está bien.',
  'Another photo tells more.': 'Otra foto dirá más.',
  'One photo alone may show the air or a slanted phone. Turn the focus the other way and take a second one.':
    'Una sola foto puede mostrar el aire o el móvil torcido. Gira el enfoque hacia el otro lado y haz otra.',
  'All places look as they did when it was complete.': 'Todo se ve como cuando estaba completo.',
  'Some places look different. Look there first: {parts}.': 'Hay sitios distintos. Mira primero ahí: {parts}.',
  'The photo can’t tell about all of them. Look there yourself: {parts}.':
    'La foto no lo dice de todos. Míralo tú mismo ahí: {parts}.',
  'The corner marks can’t be read. Take it from straight above, with all four corners in the photo.':
    'No se leen las marcas de las esquinas. Haz la foto desde arriba, con las cuatro esquinas dentro.',
  'These are another kit’s marks. Is it the right case?': 'Son las marcas de otro equipo. ¿Es la maleta correcta?',
  'Take it with the camera at the phone’s back.': 'Hazla con la cámara de atrás del móvil.',
  'Hold the phone level, straight above the middle of the case.':
    'Pon el móvil plano, justo encima del centro de la maleta.',
  'Go nearer, until the case fills the photo.': 'Acércate hasta que la maleta llene la foto.',
  'It is too dark. Put a lamp on, or go to the window.': 'Está muy oscuro. Enciende una lámpara o ve a la ventana.',
  'This is a picture of an earlier picture. Take one of the case itself.':
    'Es una foto de otra foto. Haz una de la maleta misma.',
  'This photo can’t be compared. Look through the list instead.': 'Esta foto no se puede comparar. Repasa la lista.',

  'So high up, the tube’s low end comes near the legs. Look there while you swing.':
    'A esa altura, el extremo bajo del tubo pasa cerca de las patas. Mira ahí mientras lo giras.',
  'Heights are with the extension tube on.': 'Las alturas cuentan con el tubo de extensión puesto.',
  'Eyepiece about {height} up: sit down to it.': 'Ocular a unos {height} del suelo: siéntate.',
  'Eyepiece about {height} up: stand. A child needs a firm stool.':
    'Ocular a unos {height} del suelo: de pie. Un niño necesita un taburete firme.',
  'Eyepiece about {height} up: kneel, or sit on a low stool.':
    'Ocular a unos {height} del suelo: de rodillas o en un taburete bajo.',
  'Eyepiece about {height} up: take a firm step, and hold on to nothing that turns.':
    'Ocular a unos {height} del suelo: sube a un escalón firme y no te agarres a nada que gire.',
  'So high up, the motor meets a leg. Wait until it is lower.':
    'A esa altura, el motor da contra una pata. Espera a que baje.',
  'So high up, the tube meets the motor. Wait until it is lower.':
    'A esa altura, el tubo da contra el motor. Espera a que baje.',
  'So high up, the tube meets a leg. Wait until it is lower.':
    'A esa altura, el tubo da contra una pata. Espera a que baje.',
  'So high up, the tube’s low end meets the tray. Wait until it is lower.':
    'A esa altura, el extremo bajo del tubo da contra la bandeja. Espera a que baje.',
  'Too high for this stand. Wait until it is lower.': 'Demasiado alto para este soporte. Espera a que baje.',

  'Is the mirror lined up? Take a photo': '¿Está alineado el espejo? Haz una foto',
  'Put in the cap with the small hole, and hold the phone close behind it. By day, towards a bright wall.':
    'Pon la tapa con el agujero pequeño y acerca el móvil por detrás. De día, hacia una pared iluminada.',
  'The Sun can’t get into the tube: it is in the shade.': 'El Sol no puede entrar en el tubo: está a la sombra.',
  'Where is the tube’s open end in the photo?': '¿Dónde está la boca del tubo en la foto?',
  'I don’t know': 'no lo sé',
  up: 'arriba',
  'upper right': 'arriba a la derecha',
  right: 'a la derecha',
  'lower right': 'abajo a la derecha',
  down: 'abajo',
  'lower left': 'abajo a la izquierda',
  left: 'a la izquierda',
  'upper left': 'arriba a la izquierda',
  'Photo through the hole': 'Foto por el agujero',
  'Take a photo of a star, out of focus': 'Haz una foto de una estrella, desenfocada',
  'At night, a bright star in the middle. Turn the focus until it is a small round disc with rings.':
    'De noche, una estrella brillante en el centro. Gira el enfoque hasta ver un disco pequeño con anillos.',
  'Photo of the star': 'Foto de la estrella',
  'Focus turned the other way, as far': 'Con el enfoque hacia el otro lado, lo mismo',
  'How many rings do you count?': '¿Cuántos anillos cuentas?',
  'Does the finder point right? Look at something far away': '¿Apunta bien el buscador? Mira algo lejano',
  'A chimney or a mast, {distance} away or more. Never near the Sun.':
    'Una chimenea o una antena, a {distance} o más. Nunca cerca del Sol.',
  'Put the dot on it.': 'Pon el punto encima.',
  'Put the cross on it.': 'Pon la cruz encima.',
  'Aim the sight at it.': 'Apunta la mira hacia ello.',
  'Look into the eyepiece, lowest power. Where does it stand? Tap there.':
    'Mira por el ocular, con el menor aumento. ¿Dónde está? Toca ahí.',
  'It is not in view': 'No se ve',
  'How far away is it?': '¿A qué distancia está?',
  'farther than 2 km': 'a más de 2 km',
  'What that means': 'Qué significa',
  'Measuring …': 'Midiendo …',
  'The library has it too.': 'La biblioteca también lo tiene.',
  'This needs a network. Try again when you are online.': 'Esto necesita red. Inténtalo cuando la tengas.',
  'Take a photo of the open case': 'Haz una foto de la maleta abierta',
  'Straight from above, with all four corner marks in it. It is compared with how it looked when complete.':
    'Desde arriba, con las cuatro marcas dentro. Se compara con cómo estaba completa.',
  'Photo of the open case': 'Foto de la maleta abierta',
  'Here is how it looked when complete': 'Así estaba completa',
}
