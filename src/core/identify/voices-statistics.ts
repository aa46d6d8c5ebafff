/**
 * What several voices do in each mode, by half steps above home: counted in November 2026 in 1,099 movements of 16th-century polyphony
 * whose mode their editors wrote (sections of larger works, so that not all end on home). Plain counts and shares, nothing is fitted; to
 * do it again, count what `voices-hearing.ts` hears in labelled pieces.
 */
export interface VoicesStatistics {
  readonly movements: number;
  /** Share of sounding time, all voices. */
  readonly sounding: readonly number[];
  /** Lowest sounding note at each onset. */
  readonly bass: readonly number[];
  readonly lastBass: readonly number[];
  readonly firstBass: readonly number[];
  /** The bass note before the last and the last: "7>0" is a fall of a fifth, or rise of a fourth, to home. */
  readonly lastMotion: Readonly<Record<string, number>>;
}

export const VOICES_STATISTICS = {
  ionian: {
    movements: 251,
    sounding: [0.2209, 0.0012, 0.1339, 0, 0.1329, 0.0873, 0.0088, 0.2178, 0.0012, 0.1179, 0.0035, 0.0746],
    bass: [0.2514, 0.0003, 0.1252, 0, 0.097, 0.1283, 0.0024, 0.2174, 0.0004, 0.1284, 0.0066, 0.0427],
    lastBass: [0.745, 0, 0.008, 0, 0.004, 0, 0, 0.2351, 0, 0.008, 0, 0],
    firstBass: [0.4183, 0, 0.0916, 0, 0.008, 0.1155, 0, 0.3586, 0, 0.008, 0, 0],
    lastMotion: {
      "7>0": 0.5139,
      "5>0": 0.2072,
      "0>7": 0.1116,
      "2>7": 0.0837,
      "2>0": 0.0239,
      "9>7": 0.0239,
      "5>7": 0.0159,
      "7>9": 0.008,
    },
  },
  dorian: {
    movements: 303,
    sounding: [0.194, 0, 0.1417, 0.1028, 0.013, 0.1059, 0.0072, 0.2336, 0.0223, 0.0533, 0.1111, 0.015],
    bass: [0.2331, 0, 0.1102, 0.1135, 0.0023, 0.1218, 0.0022, 0.2368, 0.0412, 0.0289, 0.1053, 0.0048],
    lastBass: [0.7921, 0, 0.0033, 0, 0, 0.0033, 0, 0.198, 0, 0, 0.0033, 0],
    firstBass: [0.4719, 0, 0.0924, 0.033, 0, 0.0528, 0, 0.3135, 0, 0, 0.0363, 0],
    lastMotion: {
      "7>0": 0.5116,
      "5>0": 0.2706,
      "0>7": 0.0957,
      "2>7": 0.0924,
      "2>0": 0.0066,
      "8>7": 0.0066,
      "3>10": 0.0033,
      "0>5": 0.0033,
    },
  },
  phrygian: {
    movements: 124,
    sounding: [0.2087, 0.0778, 0.0058, 0.121, 0.0207, 0.1996, 0.0021, 0.1014, 0.1428, 0.0057, 0.1147, 0],
    bass: [0.1975, 0.124, 0.0021, 0.1342, 0.0042, 0.2267, 0.0044, 0.039, 0.1253, 0.0021, 0.1405, 0],
    lastBass: [0.7258, 0.0081, 0, 0.0323, 0, 0.1452, 0, 0, 0.0484, 0, 0.0403, 0],
    firstBass: [0.4355, 0.0484, 0, 0.0081, 0, 0.2661, 0, 0.0968, 0.0968, 0, 0.0484, 0],
    lastMotion: {
      "5>0": 0.6774,
      "10>5": 0.0806,
      "0>5": 0.0403,
      "0>10": 0.0323,
      "1>0": 0.0242,
      "3>8": 0.0242,
      "10>0": 0.0242,
      "1>3": 0.0242,
    },
  },
  mixolydian: {
    movements: 282,
    sounding: [0.2272, 0.0012, 0.1292, 0.0048, 0.0836, 0.1572, 0.0056, 0.1901, 0, 0.1153, 0.0683, 0.0175],
    bass: [0.2566, 0.0005, 0.1359, 0.0099, 0.0392, 0.1907, 0.0015, 0.1777, 0, 0.0906, 0.0914, 0.006],
    lastBass: [0.7624, 0, 0.0177, 0, 0, 0.0674, 0, 0.1454, 0, 0, 0.0071, 0],
    firstBass: [0.4752, 0, 0.0248, 0, 0, 0.1631, 0, 0.3156, 0, 0.0213, 0, 0],
    lastMotion: {
      "7>0": 0.422,
      "5>0": 0.2837,
      "2>7": 0.1206,
      "0>5": 0.0355,
      "2>0": 0.0355,
      "0>7": 0.0213,
      "10>0": 0.0142,
      "10>5": 0.0106,
    },
  },
  aeolian: {
    movements: 139,
    sounding: [0.2358, 0.0106, 0.0732, 0.1276, 0.0136, 0.1474, 0, 0.1802, 0.0964, 0.0052, 0.0985, 0.0115],
    bass: [0.2581, 0.0227, 0.0375, 0.1116, 0.0053, 0.1821, 0, 0.1498, 0.1182, 0.0014, 0.1095, 0.0037],
    lastBass: [0.7554, 0.0072, 0, 0.0144, 0, 0.1079, 0, 0.0719, 0.0144, 0, 0.0288, 0],
    firstBass: [0.4388, 0, 0.0072, 0.0576, 0, 0.1727, 0, 0.2806, 0.0288, 0, 0.0144, 0],
    lastMotion: {
      "5>0": 0.3669,
      "7>0": 0.3453,
      "0>5": 0.0576,
      "0>7": 0.0576,
      "10>5": 0.036,
      "1>0": 0.0216,
      "5>10": 0.0216,
      "10>0": 0.0144,
    },
  },
} as const satisfies Record<string, VoicesStatistics>;
