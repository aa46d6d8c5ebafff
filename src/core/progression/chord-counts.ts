/**
 * How chords behave in a major and in a minor home: counts, made in November 2026, from 34 expert harmonic analyses of chorales and
 * madrigals; modal vamps are not among them. To do it again, count each pair of successive chords between two changes of key. A chord is
 * its root in half steps above home and its kind: M major, m minor, 7 dominant seventh, d diminished or half-diminished,
 * o diminished seventh, + augmented; sevenths count with their triads. `follows` has what comes next after each chord; what was
 * counted less than three times is left out.
 */
export const COUNTED = {
  major: {
    chords:
      "0M=554 7M=376 5M=217 9m=153 2m=140 77=69 11d=67 4m=52 2M=31 9M=25 0m=20 7m=18 4M=17 10M=8 11o=6 5m=6 07=5 6d=5 27=4 11M=4 11m=4 47=3 3M=3 6m=2 1d=2",
    follows: [
      "0M: 7M=152 5M=116 0M=67 2m=54 9m=48 11d=15 4m=9 2M=8 77=7 9M=6 07=4 4M=3",
      "7M: 0M=189 9m=39 77=36 5M=20 7M=20 4m=10 2m=9 2M=8 0m=7 7m=3",
      "5M: 0M=49 7M=39 2m=24 11d=16 5M=15 9m=14 77=12 4m=8 9M=3 4M=3 11M=3",
      "2m: 7M=39 0M=33 11d=22 77=6 5M=5 2m=5 9M=4 9m=3",
      "9m: 7M=40 5M=17 2m=16 0M=12 4m=10 9m=5 11d=4 4M=4 77=3",
      "77: 0M=57 9m=5",
      "11d: 0M=54 9m=4 7M=4",
      "4m: 5M=10 7M=8 0M=7 2m=5 9m=4 2M=4",
      "2M: 7M=17 0M=7",
      "0m: 7M=9",
      "9M: 2m=6 5M=3",
      "4M: 9m=7",
      "7m: 0M=4 5M=3",
      "07: 5M=5",
      "11o: 0M=5",
      "6d: 7M=4",
    ],
  },
  minor: {
    chords:
      "0m=470 7M=309 5m=165 0M=131 7m=120 3M=104 10M=91 8M=87 5M=61 77=52 2m=46 2d=38 11d=28 2M=21 1M=10 9m=9 11o=7 9M=5 9d=5 6o=3 07=3 3+=2 2o=2 3m=2 11m=2 10m=2",
    follows: [
      "0m: 7M=138 0m=57 7m=47 10M=35 5m=33 8M=23 2d=13 11d=12 3M=12 0M=10 77=7 5M=6 2m=5",
      "7M: 0m=162 0M=49 7M=26 77=23 5m=13 8M=11 2M=3 5M=3 3M=3",
      "5m: 7M=40 0m=31 0M=17 3M=11 5m=10 7m=9 77=8 8M=7 10M=5 2d=5",
      "7m: 0m=24 5m=20 10M=11 3M=10 5M=9 2m=8 8M=7 7M=5 7m=4",
      "3M: 3M=17 10M=14 0m=12 2m=11 7m=9 5m=8 7M=5 2d=5 8M=4",
      "0M: 5m=19 0M=19 7M=13 0m=13 5M=12 9m=5 2m=3",
      "10M: 3M=19 8M=17 0m=16 7m=8 5M=5 10M=5 5m=4",
      "8M: 5m=18 0m=16 7m=12 7M=9 2d=6 3M=5 0M=3 8M=3",
      "5M: 0m=9 7M=8 3M=7 2m=6 10M=5 7m=5 5m=4 11d=3 5M=3 0M=3",
      "77: 0m=34 0M=11 8M=4",
      "2m: 7M=10 7m=6 0M=4 0m=4 5m=4 10M=3",
      "2d: 7M=14 0m=12 77=3",
      "11d: 0m=19 0M=4 11o=3",
      "2M: 7m=8 7M=7",
      "1M: 1M=7",
      "11o: 0m=3",
      "6o: 7M=3",
      "07: 5m=3",
      "9M: 2m=3",
    ],
  },
} as const;
