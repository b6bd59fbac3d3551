import type { Source } from './source';

const P = (text: string): Source => ({ tag: 'P', text });

/** Standards, papers and books. */
export const PUBLISHED = {
  'rank-of-next': P(
    'S. S. Wilks, Determination of Sample Sizes for Setting Tolerance Limits, Ann. Math. Stat. 12 (1941): the greatest of n like values ' +
      'is exceeded by the next with probability 1/(n + 1), whatever their distribution',
  ),
  'tolerance-factor': P(
    'ISO 16269-6:2014, Statistical interpretation of data, one-sided tolerance intervals of a normal distribution; NIST/SEMATECH ' +
      'e-Handbook 7.2.6.3',
  ),
  'solar-position': P(
    'I. Reda, A. Andreas, Solar Position Algorithm for Solar Radiation Applications, NREL/TP-560-34302, 2008: the sun’s upper rim at ' +
      'the horizon with usual refraction stands at −0.8333°',
  ),
  'iec-60063': P('IEC 60063:2015, Preferred number series for resistors and capacitors, table 1'),
  'iec-61140': P(
    'IEC 61140:2016, Protection against electric shock, clause 4.2: extra-low voltage ends ' +
      'at 50 V AC and 120 V ripple-free DC; the end of a band, not a limit of touch',
  ),
  'touch-current': P(
    'IEC 60335-1:2020, Household appliances, clause 13.2: leakage current of class II appliances at most 0.25 mA',
  ),
  'iec-60664': P(
    'IEC 60664-1:2020, Insulation coordination, tables F.1, F.2 and F.5, inhomogeneous field, ' +
      'material group III: by overvoltage category and pollution degree of the place',
  ),
  'test-volts': P(
    'IEC 60950-1:2005, Information technology equipment, table 5B: reinforced ' +
      'insulation bears 3 000 V AC at 230 V mains, 2 000 V AC at 120 V',
  ),
  'insulation-test': P(
    'IEC 60335-1:2001, Household appliances, clause 16.3 of the second edition: 500 V ' +
      'DC for a minute, 2 MΩ for basic and 7 MΩ for reinforced insulation',
  ),
  'iec-60445': P(
    'IEC 60445:2021, Identification of conductors, clause 6: protective earth green-yellow, neutral blue, line brown, black or grey',
  ),
  'cord-amps': P(
    'BS 7671:2018, Requirements for electrical installations, table 4F3A, flexible cords: 0.5 mm² 3 A, 0.75 6 A, 1 10 A, 1.25 13 A, ' +
      '1.5 16 A, 2.5 25 A, 4 32 A',
  ),
  'cord-amps-nec': P(
    'NFPA 70:2023, National Electrical Code, table 400.5(A)(1), column B: 18 AWG 10 A, 16 AWG 13 A, 14 AWG 18 A, 12 AWG 25 A',
  ),
  'conductor-heat': P(
    'BS 7671:2018, table 4F3A, notes: at 35, 40, 45 and 50 °C 0.91, 0.82, 0.71 and 0.58 of what a flexible cord carries at 30 °C',
  ),
  'switched-line': P(
    'IEC 60364-5-53:2019, Low-voltage electrical installations, clause 536: a single-pole switch stands in the line, and never in the ' +
      'neutral or in the protective earth',
  ),
  'plug-fuse': P('BS 1362:1973, Fuse links for plugs: 3, 5 and 13 A'),
  'nec-colours': P(
    'NFPA 70:2023, National Electrical Code, 200.6, 210.5 and 250.119: neutral white or grey, ' +
      'earth green, green-yellow or bare; hot wires any other, usually black or red',
  ),
  'ebers-moll': P(
    'Ebers and Moll, Large-Signal Behavior of Junction Transistors, Proceedings of the IRE 42 (1954) 1761, equation 14',
  ),
  'success-run': P(
    'Lipson and Sheth, Statistical Design and Analysis of Engineering Experiments, ' +
      'McGraw-Hill 1973, section 4: success-run theorem, n = ln(1 − C)/ln(R)',
  ),
  bayes: P(
    'Bayes, An Essay towards solving a Problem in the Doctrine of Chances, Philosophical ' +
      'Transactions 53 (1763) 370, proposition 5; unknown values averaged over a grid',
  ),
  'supply-filter': P(
    'R. E. Kalman, A New Approach to Linear Filtering and Prediction Problems, Journal of ' +
      'Basic Engineering 82 (1960), pages 35 to 45: one number, read several times',
  ),
  usb: P(
    'Universal Serial Bus Specification 2.0, 2000, 7.2.1 and 7.2.2: 4.75 to 5.25 V and at most 0.5 A downstream; ' +
      'no device may drive current back',
  ),
  gum: P(
    'JCGM 100:2008, Guide to the expression of uncertainty in measurement, ' +
      'clauses 4.2, 4.3.7 and 6.3: type A and type B added in squares, k = 2',
  ),
  'place-by-time': P(
    'NIST/SEMATECH e-Handbook of Statistical Methods, 1.3.5.3 and 7.3.1: variances add; degrees of freedom by Welch and Satterthwaite',
  ),
  'relay-bounce': P(
    'Ganssle, A Guide to Debouncing, 2004: contact bounce as measured on switches, mean 1.6 ms, worst 6.2 ms',
  ),
  copper: P(
    'IEC 60028:1925, International standard of resistance for copper: 0.00393 for each kelvin at constant mass, from 20 °C',
  ),
  'iec-60228': P(
    'IEC 60228:2004, Conductors of insulated cables: greatest resistance at 20 °C of plain copper, classes 1 and 5',
  ),
  'iec-60127': P(
    'IEC 60127-2:2014, Miniature fuses, part 2: cartridge fuse-links; rated currents of the row R10 of ISO 3:1973',
  ),
  'iec-60028': P('IEC 60028:1925, International standard of resistance for copper: 17.241 nΩ·m at 20 °C'),
  'success-runs': P(
    'Feller, An Introduction to Probability Theory and Its Applications, vol. ' +
      '1, third edition, Wiley 1968, section XIII.7: runs of successes',
  ),
  gravity: P(
    'CGPM, third meeting 1901, declaration on the unit of mass and weight: standard acceleration 9.80665 m/s²',
  ),
  si: P('BIPM, The International System of Units, ninth edition 2019, table 8'),
  'beam-bending': P(
    'Young and Budynas, Roark’s Formulas for Stress and Strain, seventh edition, McGraw-Hill ' +
      '2002, section 8.1: bending of a rectangular section, σ = F/A + 6·F·L/(w·l²)',
  ),
  'dc-motor': P(
    'Fitzgerald, Kingsley and Umans, Electric Machinery, sixth edition, McGraw-Hill 2003, section 7.7: permanent-magnet DC motors',
  ),
  'stepper-rewired': P(
    'Acarnley, Stepping Motors: a guide to theory and practice, fourth edition, IET 2002, chapter 2: ' +
      'unipolar and bipolar drive; both halves in series give √2 the torque at the same heat',
  ),
  'least-squares': P('NIST/SEMATECH e-Handbook of Statistical Methods, 4.1.4.1, linear least squares'),
  'low-pass': P(
    'Horowitz and Hill, The Art of Electronics, third edition, Cambridge 2015, section 1.4: RC ' +
      'circuits; ripple V/(4·f·R·C) at half duty, settled to 1 % after ln(100)·R·C',
  ),
  'terminal-numbers': P(
    'EN 50005:1976, Terminal marking and distinctive number, clause 3: A1 and A2 coil; 11 ' +
      'common, 12 normally closed, 14 normally open; 21, 22, 24 the second pole',
  ),
} as const satisfies Record<string, Source>;
