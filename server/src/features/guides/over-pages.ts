/** For borrowers, not for programs: what to do when the link is over. */
export const AWAY_PAGE = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex, nofollow"><meta http-equiv="refresh" content="30">
<title>The library can’t be reached</title></head>
<body><main><h1>Your guide can’t be reached just now</h1>
<p role="alert">The library’s records can’t be reached just now. This page tries again by itself every half minute. What you kept on this phone is still there. Don’t point the telescope anywhere near the Sun meanwhile.</p>
<p lang="es">Ahora mismo no se puede llegar a los datos de la biblioteca. Esta página lo intenta sola cada medio minuto. Mientras tanto, no apuntes el telescopio cerca del Sol.</p>
</main></body></html>
`
export const LINK_OVER_PAGE = `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="robots" content="noindex, nofollow"><title>This guide is over</title></head>
<body><main><h1>This guide is over</h1>
<p role="alert">This link has expired or was already used. Ask the library for a new one; the number is on your loan slip.</p>
<p lang="es">Este enlace ya no vale. Pide otro a la biblioteca; el número está en tu hoja de préstamo.</p>
</main></body></html>
`
