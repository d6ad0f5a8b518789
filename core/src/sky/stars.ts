/** A star as catalogued: mean place at equinox and epoch J2000.0, proper motion in milliarcseconds a year (that in right
 * ascension already times the cosine of the declination). */
export interface Star {
  readonly name: string
  readonly raJ2000Deg: number
  readonly decJ2000Deg: number
  readonly magnitude: number
  readonly properMotionRaMas: number
  readonly properMotionDecMas: number
}

const star = (
  name: string,
  raJ2000Deg: number,
  decJ2000Deg: number,
  magnitude: number,
  properMotionRaMas: number,
  properMotionDecMas: number,
): Star => ({ name, raJ2000Deg, decJ2000Deg, magnitude, properMotionRaMas, properMotionDecMas })

export const polaris = star('Polaris', 37.9546, 89.2641, 1.98, 44.48, -11.85)
export const sigmaOctantis = star('Sigma Octantis', 317.1951, -88.9565, 5.45, 26.3, 5.0)

/** Bright stars that controllers know by name, for lining up. Places of the Hipparcos catalogue (ESA 1997, public), to
 * 0.0001°, written down from memory; checked against each other in the tests. Variable and crowded ones are left out. */
export const brightStars: readonly Star[] = [
  star('Alpheratz', 2.0969, 29.0904, 2.07, 137.5, -163.4),
  star('Caph', 2.2945, 59.1498, 2.28, 523.4, -180.4),
  star('Ankaa', 6.571, -42.306, 2.4, 232.8, -353.6),
  star('Schedar', 10.1268, 56.5373, 2.24, 50.4, -32.2),
  star('Diphda', 10.8974, -17.9866, 2.04, 232.8, 32.7),
  star('Mirach', 17.433, 35.6206, 2.07, 175.6, -112.2),
  star('Achernar', 24.4285, -57.2368, 0.45, 88.0, -40.1),
  star('Almach', 30.9748, 42.3297, 2.1, 43.1, -50.9),
  star('Hamal', 31.7934, 23.4624, 2.01, 190.7, -145.8),
  star('Menkar', 45.5699, 4.0897, 2.54, -11.8, -78.8),
  star('Mirfak', 51.0807, 49.8612, 1.79, 24.1, -26.0),
  star('Aldebaran', 68.9802, 16.5093, 0.87, 62.8, -189.4),
  star('Rigel', 78.6345, -8.2016, 0.18, 1.9, -0.6),
  star('Capella', 79.1723, 45.998, 0.08, 75.5, -427.1),
  star('Bellatrix', 81.2828, 6.3497, 1.64, -8.8, -13.3),
  star('Elnath', 81.573, 28.6075, 1.65, 23.3, -174.2),
  star('Alnilam', 84.0534, -1.2019, 1.69, 1.5, -1.1),
  star('Betelgeuse', 88.7929, 7.4071, 0.45, 27.3, 10.9),
  star('Menkalinan', 89.8822, 44.9474, 1.9, -56.4, -0.9),
  star('Mirzam', 95.6749, -17.9559, 1.98, -3.5, -0.5),
  star('Canopus', 95.988, -52.6957, -0.62, 20.0, 23.7),
  star('Alhena', 99.4279, 16.3993, 1.93, -2.0, -66.9),
  star('Sirius', 101.2872, -16.7161, -1.44, -546.0, -1223.1),
  star('Adhara', 104.6565, -28.9721, 1.5, 2.6, 2.3),
  star('Wezen', 107.0979, -26.3932, 1.83, -2.8, 3.3),
  star('Castor', 113.6494, 31.8883, 1.58, -206.3, -148.2),
  star('Procyon', 114.8255, 5.225, 0.4, -716.6, -1034.6),
  star('Pollux', 116.329, 28.0262, 1.16, -625.7, -46.0),
  star('Avior', 125.6285, -59.5095, 1.86, -25.3, 22.7),
  star('Suhail', 136.999, -43.4326, 2.23, -23.2, 14.3),
  star('Miaplacidus', 138.2999, -69.7172, 1.67, -157.7, 108.9),
  star('Alphard', 141.8968, -8.6586, 1.99, -14.5, 33.3),
  star('Regulus', 152.093, 11.9672, 1.36, -249.4, 4.9),
  star('Merak', 165.4603, 56.3824, 2.34, 81.7, 33.7),
  star('Dubhe', 165.932, 61.751, 1.81, -136.5, -35.3),
  star('Denebola', 177.2649, 14.5721, 2.14, -499.0, -113.8),
  star('Acrux', 186.6496, -63.0991, 0.77, -35.4, -14.7),
  star('Gacrux', 187.7915, -57.1132, 1.59, 27.9, -264.3),
  star('Mimosa', 191.9303, -59.6888, 1.25, -48.2, -12.8),
  star('Alioth', 193.5073, 55.9598, 1.76, 111.7, -9.0),
  star('Mizar', 200.9814, 54.9254, 2.23, 121.2, -22.0),
  star('Spica', 201.2983, -11.1613, 0.98, -42.5, -31.7),
  star('Alkaid', 206.8852, 49.3133, 1.85, -121.2, -15.6),
  star('Hadar', 210.9559, -60.373, 0.61, -34.0, -25.1),
  star('Menkent', 211.6706, -36.37, 2.06, -519.3, -517.9),
  star('Arcturus', 213.9153, 19.1824, -0.05, -1093.5, -1999.4),
  star('Rigil Kentaurus', 219.9021, -60.834, -0.27, -3678.2, 481.8),
  star('Kochab', 222.6764, 74.1555, 2.07, -32.3, 11.9),
  star('Alphecca', 233.672, 26.7147, 2.22, 120.4, -89.4),
  star('Antares', 247.3519, -26.432, 1.06, -10.2, -23.2),
  star('Atria', 252.1662, -69.0277, 1.91, 17.9, -32.9),
  star('Sabik', 257.5945, -15.7249, 2.43, 41.2, 97.7),
  star('Shaula', 263.4022, -37.1038, 1.62, -8.9, -30.0),
  star('Rasalhague', 263.7336, 12.56, 2.08, 110.1, -222.6),
  star('Sargas', 264.3297, -42.9978, 1.86, 6.1, -1.0),
  star('Eltanin', 269.1515, 51.4889, 2.24, -8.5, -23.1),
  star('Kaus Australis', 276.043, -34.3846, 1.79, -39.6, -124.1),
  star('Vega', 279.2347, 38.7837, 0.03, 201.0, 287.5),
  star('Nunki', 283.8164, -26.2967, 2.05, 13.9, -52.7),
  star('Altair', 297.6958, 8.8683, 0.76, 536.8, 385.5),
  star('Peacock', 306.4119, -56.7351, 1.94, 7.7, -86.2),
  star('Deneb', 310.358, 45.2803, 1.25, 1.6, 1.6),
  star('Alderamin', 319.6449, 62.5856, 2.45, 149.9, 48.3),
  star('Enif', 326.0465, 9.875, 2.38, 30.0, 1.4),
  star('Alnair', 332.0583, -46.961, 1.73, 127.6, -147.9),
  star('Fomalhaut', 344.4127, -29.6222, 1.17, 329.2, -164.2),
  star('Markab', 346.1902, 15.2053, 2.49, 61.1, -42.6),
]
