/** Short names for what the generated client calls by its schema. */
import type { components } from "./schema";

type Schemas = components["schemas"];

export type Session = Schemas["SessionOut"];
export type School = Schemas["SchoolOut"];
export type Person = Schemas["PersonEntry"];
export type Role = Person["role"];
export type Invitation = Schemas["JoinOut"];
export type Docket = Schemas["DocketOut"];
export type VehicleBody = Schemas["VehicleDocument"];
export type MirrorBody = VehicleBody["mirrors"][number];
export type TrailerBody = Schemas["TrailerModel"];
export type EyeBody = Schemas["PointModel"];
export type SeatBody = Schemas["SeatDocument"];
export type GroundBody = Schemas["GroundDocument"];
export type Goal = GroundBody["goal"];
export type BayIn = Schemas["BayIn"];
export type BayGoal = Schemas["BayModel"];
export type CornerGoal = Schemas["CornerModel"];
export type StretchGoal = Schemas["StretchModel"];
export type PlaceNotes = Schemas["CheckModel"];
export type MethodBody = Schemas["MethodDocument"];
export type FitMetres = Schemas["FitMetres"];
export type FitAngle = Schemas["FitAngle"];
export type FitShare = Schemas["FitShare"];
export type StandardBody = Schemas["StandardDocument"];

interface Entries {
  vehicle: Schemas["VehicleEntry"];
  seat: Schemas["SeatEntry"];
  ground: Schemas["GroundEntry"];
  method: Schemas["MethodEntry"];
  standard: Schemas["StandardEntry"];
}
export type Kind = keyof Entries;
export type Entry<K extends Kind = Kind> = Entries[K];
export type Revision<K extends Kind = Kind> = Entry<K>["latest"];
export type Plan = Schemas["PlanOut"];
export type PlanOptions = Schemas["OptionsIO"];
export type CardIn = Schemas["CardIn"];
export type Call = Schemas["CallOut"];
export type Look = Schemas["LookOut"];
export type Slip = Schemas["SlipOut"];
export type EyeFound = Schemas["EyeOut"];
export type Around = Schemas["AroundOut"];
export type Sights = Schemas["SightsOut"];
export type Spot = Schemas["SpotOut"];
export type Pointed = Schemas["PointedOut"];
export type Candidate = Schemas["CandidateOut"];
export type Picture = Schemas["PictureOut"];
export type Glass = Schemas["GlassOut"];
export type Part = Schemas["PartOut"];
export type CueMarks = Schemas["CueMarksOut"];
export type Frame = Schemas["FrameOut"];
export type PathPoint = Schemas["PathPoint"];
export type Pose = Schemas["PoseOut"];
export type Dimensioned = Schemas["DimensionOut"];
export type Played = Schemas["PlayOut"];
export type Leaving = Schemas["LeavingOut"];
export type Backing = Schemas["BackingOut"];
export type BackingIn = Schemas["BackingIn"];
export type BackingLeg = Schemas["BackingLeg"];
export type BackingPoint = Schemas["BackingPoint"];
export type ShuffleIn = Schemas["ShuffleIn"];
export type Shuffle = Schemas["ShuffleOut"];
export type LeastSize = Schemas["LeastSizeOut"];
export type Remedy = Schemas["RemedyOut"];
export type Sheet = Schemas["SheetOut"];
export type Attempt = Omit<Schemas["AttemptOut"], "stated"> & {
  stated: Pick<Schemas["StatedOut"], "at" | "readings"> | null;
};
export type MockTest = Schemas["MockOut"];
export type Notes = Schemas["Notes"];
export type StatedReadings = Schemas["ReadIn"];
export type Taped = Schemas["TapedIO"];
export type Doubt = Schemas["DoubtOut"];
export type Finishes = Schemas["FinishesOut"];
export type Agreement = Schemas["AgreementOut"];
export type Tape = Schemas["TapeOut"];
export type Mend = Schemas["MendOut"];
export type Rescue = Schemas["RescueOut"];

export type Roll = Schemas["RollOut"];
export type Finding = Schemas["FindingOut"];
export type FinishSet = Schemas["SetOut"];
export type Lesson = Schemas["LessonOut"];
export type LessonOpened = Schemas["LessonOpened"];
export type LessonChange = Schemas["LessonChange"];
export type LessonIn = Schemas["LessonIn"];
export type Exercise = LessonOpened["exercises"][number];
export type PastAttempt = Schemas["HistoryOut"];
export type Driven = LessonOpened["driven"][number];
export type Recap = Lesson["recap"];
export type Standing = Schemas["StandingOut"];
export type Use = Schemas["UseOut"];
export type GroundState = Schemas["GroundOut"];
export type Thing = Schemas["ThingOut"];
export type GoalKind = Schemas["ManoeuvreWords"]["goal"];
export type Vocabulary = Schemas["VocabularyOut"];
export type Problem = Schemas["Problem"];

/** Lengths in metres, as everywhere between the server and the drawing. */
export type Metres = number;
export type Point = readonly [Metres, Metres];

type FieldsOf<T> = T extends unknown ? keyof T : never;
type FieldOf<T, K extends PropertyKey> = T extends Record<K, infer V> ? V : never;
/** Whatever field any one of several kinds has. */
export type AnyOf<T> = { [K in FieldsOf<T>]?: FieldOf<T, K> | undefined };
