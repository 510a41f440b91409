/** How far a value can be trusted, lowest first. */
export const GRADES = ["missing", "assumed", "book", "taped", "proven"] as const;
export type Grade = (typeof GRADES)[number];

/** What the value was come by with; each gives a grade. */
export const INSTRUMENTS = ["tape", "scale", "gauge", "look", "book", "estimate"] as const;
/**
 * `file`: it came in a file, and nobody here has read it off the machine. `field test`: a test was accepted that makes it
 * so; proven as long as that proof holds, and no more than measured once it does not.
 */
export const ALL_INSTRUMENTS = [...INSTRUMENTS, "file", "field test"] as const;
export type Instrument = (typeof ALL_INSTRUMENTS)[number];

const GRADE_OF: Record<Instrument, Exclude<Grade, "missing">> = {
  tape: "taped",
  scale: "taped",
  gauge: "taped",
  look: "taped",
  book: "book",
  estimate: "assumed",
  file: "assumed",
  "field test": "taped",
};

/** How much a reading is worth by what it was read with. */
export function gradeOf(instrument: Instrument): Exclude<Grade, "missing"> {
  return GRADE_OF[instrument];
}

/** True where `grade` is trusted less than `than`. */
export function below(grade: Grade, than: Grade): boolean {
  return GRADES.indexOf(grade) < GRADES.indexOf(than);
}

/** The grade of a result is that of its weakest link. */
export function weakest(grades: readonly Grade[]): Grade {
  return grades.reduce((low, grade) => (below(grade, low) ? grade : low), "proven");
}
