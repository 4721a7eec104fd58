import { type Static, Type } from "@sinclair/typebox";
import { closed, Done, Id, IdParams, Moment, Name, Unit } from "./common.js";
import { Role, route } from "./route.js";

/** That somebody else helped to a new password, for whom it concerns. */
export const PasswordNotice = Type.Object(
  {
    /** A link was made and is not used yet; or a password was chosen by it, and the account is locked until its holder agrees. */
    kind: Type.Union([Type.Literal("link-made"), Type.Literal("password-chosen")]),
    by: Type.String(),
    at: Moment,
  },
  closed,
);
export type PasswordNotice = Static<typeof PasswordNotice>;

export const Account = Type.Object(
  {
    id: Id,
    email: Type.String(),
    name: Name,
    role: Role,
    unit: Unit,
    look: Type.Union([Type.Literal("day"), Type.Literal("night"), Type.Literal("auto")]),
    notice: Type.Union([PasswordNotice, Type.Null()]),
  },
  closed,
);
export type Account = Static<typeof Account>;

/** A place where somebody is signed in. */
export const SignedIn = Type.Object(
  {
    id: Type.String(),
    since: Moment,
    /** The browser, as it names itself, and no more of it than tells it apart. */
    device: Type.String(),
    /** The one that asks. */
    here: Type.Boolean(),
  },
  closed,
);
export type SignedIn = Static<typeof SignedIn>;

/** Something that was done about an account, as whom it concerns is told. */
export const AccountEvent = Type.Object(
  {
    what: Type.Union([
      Type.Literal("password-changed"),
      Type.Literal("password-reset"),
      Type.Literal("reset-link-made"),
      Type.Literal("reset-letter-sent"),
      Type.Literal("role-changed"),
      Type.Literal("data-taken-out"),
      Type.Literal("figures-seen"),
      Type.Literal("hand-in-seen"),
      Type.Literal("hand-in-judged"),
      Type.Literal("results-taken-out"),
      Type.Literal("reset-link-revoked"),
      Type.Literal("password-taken-back"),
    ]),
    at: Moment,
    /** The class and what of it, where that tells more; else empty. */
    detail: Type.String(),
    /** Who did it, by name; "you", or the command line. */
    by: Type.String(),
  },
  closed,
);
export type AccountEvent = Static<typeof AccountEvent>;

/** What an instructor sees of an account. */
const Member = Type.Object(
  {
    ...Type.Pick(Account, ["id", "name", "email", "role"]).properties,
    /** Whether who asks may help this account to a new password. */
    mayReset: Type.Boolean(),
  },
  closed,
);

/** How much an account keeps here, of what it may keep (bytes); and the same of the place, for its owner. */
const Space = Type.Object({ used: Type.Integer(), most: Type.Integer() }, closed);
export const Storage = Type.Object({ account: Space, place: Type.Union([Space, Type.Null()]) }, closed);
export type Storage = Static<typeof Storage>;

const Email = Type.String({ format: "email", maxLength: 200 });
const Password = Type.String({ minLength: 10, maxLength: 200 });
const Given = Type.String({ maxLength: 200 });

/** Where letters can be sent, a sign-up is answered alike whether the e-mail is taken or not. */
const LetterSent = Type.Object({ letterSent: Type.Literal(true) }, closed);

export const accountRoutes = {
  signUp: route("POST", "/api/accounts", {
    who: "anyone",
    body: Type.Object({ email: Email, name: Name, password: Password }, closed),
    reply: Type.Union([Account, LetterSent]),
  }),
  /** Begins an account by the link in its letter. */
  confirmSignUp: route("POST", "/api/sign-up-confirmed", {
    who: "anyone",
    body: Type.Object({ token: Type.String({ maxLength: 100 }) }, closed),
    reply: Account,
  }),
  signIn: route("POST", "/api/session", { who: "anyone", body: Type.Object({ email: Given, password: Given }, closed), reply: Account }),
  signOut: route("DELETE", "/api/session", { who: "student", whileLocked: true, reply: Done }),
  me: route("GET", "/api/session", { who: "student", whileLocked: true, reply: Account }),
  prefer: route("PATCH", "/api/session", {
    who: "student",
    body: Type.Partial(Type.Pick(Account, ["name", "unit", "look"]), closed),
    reply: Account,
  }),
  changePassword: route("POST", "/api/account/password", {
    who: "student",
    body: Type.Object({ old: Given, password: Password }, closed),
    reply: Done,
  }),
  signedIn: route("GET", "/api/account/sessions", { who: "student", reply: Type.Array(SignedIn) }),
  signOutElsewhere: route("DELETE", "/api/account/sessions", { who: "student", reply: Done }),
  events: route("GET", "/api/account/events", { who: "student", whileLocked: true, reply: Type.Array(AccountEvent) }),
  storage: route("GET", "/api/account/storage", { who: "student", reply: Storage }),
  /** Everything kept of the account, as a ZIP of JSON and CSV: its bytes, not JSON. */
  ownData: route("GET", "/api/account/data", { who: "student", reply: Type.Any() }),
  /** Deletes the account and everything in it, at once and for good. */
  removeAccount: route("POST", "/api/account/remove", { who: "student", body: Type.Object({ password: Given }, closed), reply: Done }),
  members: route("GET", "/api/accounts", { who: "instructor", reply: Type.Array(Member) }),
  changeRole: route("PATCH", "/api/accounts/:id", {
    who: "owner",
    params: IdParams,
    body: Type.Object({ role: Role }, closed),
    reply: Member,
  }),
  /** A link by which somebody who forgot the password sets a new one, once. */
  resetLink: route("POST", "/api/accounts/:id/reset-link", {
    who: "instructor",
    params: IdParams,
    // Where letters are sent the link goes to the person, and nobody else sees it.
    reply: Type.Object({ path: Type.Union([Type.String(), Type.Null()]), until: Moment }, closed),
  }),
  /** Makes a link that somebody else asked for worth nothing. */
  revokeLink: route("DELETE", "/api/account/reset-link", { who: "student", whileLocked: true, reply: Done }),
  /** The holder agrees that the new password is theirs: the account is unlocked. */
  agreeToPassword: route("POST", "/api/account/password-notice", { who: "student", whileLocked: true, reply: Account }),
  /** Takes back, with the password of before, one that somebody else helped to; sets a third, and signs in. */
  takeBackPassword: route("POST", "/api/password-taken-back", {
    who: "anyone",
    body: Type.Object({ email: Given, old: Given, password: Password }, closed),
    reply: Account,
  }),
  /** Has a link sent to somebody who forgot the password. Says the same whether there is such an account or not. */
  forgotPassword: route("POST", "/api/password-forgotten", { who: "anyone", body: Type.Object({ email: Email }, closed), reply: Done }),
  resetPassword: route("POST", "/api/password-reset", {
    who: "anyone",
    body: Type.Object({ token: Type.String({ maxLength: 100 }), password: Password }, closed),
    reply: Done,
  }),
};
