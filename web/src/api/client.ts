import createClient from "openapi-fetch";
import type { components, paths } from "./schema";

export type { components };

type Schemas = components["schemas"];
export type ThemeDocument = Schemas["ThemeDocument"];
export type Theme = Schemas["ThemeView"];
export type ThemeSummary = Schemas["ThemeSummary"];
export type Preview = Schemas["Preview"];
export type Derived = Schemas["DerivedView"];
export type Scale = Schemas["ScaleView"];
export type Step = Schemas["StepView"];
export type Token = Schemas["TokenView"];
export type Wake = Schemas["WakeView"];
export type Change = Schemas["ChangeInput"];
export type Vocabulary = Schemas["VocabularyView"];
export type NumberField = Schemas["NumberView"];
export type Mode = "light" | "dark";
/** How much contrast is asked for. */
export type Level = "usual" | "more";
export type Target = Schemas["TargetView"];
export type Export = Schemas["ExportView"];
export type Check = Schemas["CheckView"];
export type Finding = Schemas["FindingView"];
export type ColorItem = Schemas["ColorItem"];
export type ColorView = Schemas["ColorView"];
export type Problem = Schemas["Problem"];

export const api = createClient<paths>({ baseUrl: "/" });

/** A refusal by the server, or a server that cannot be reached. */
export class ApiProblem extends Error {
  constructor(readonly problem: Problem) {
    super(problem.detail);
  }

  is(kind: string): boolean {
    return this.problem.type === `/problems/${kind}`;
  }
}

const UNREACHABLE: Problem = {
  type: "/problems/unreachable",
  title: "No answer",
  status: 0,
  detail: "The server does not answer. Your changes are kept here; they are saved once it is back.",
};

/** The data of a response, or its problem as an error. */
export async function answer<T>(request: Promise<{ data?: T; error?: unknown }>): Promise<T> {
  let response: { data?: T; error?: unknown };
  try {
    response = await request;
  } catch {
    throw new ApiProblem(UNREACHABLE);
  }
  if (response.data !== undefined) return response.data;
  throw new ApiProblem(isProblem(response.error) ? response.error : UNREACHABLE);
}

/** A request that answers nothing: it was done, or its problem is an error. */
export async function done(request: Promise<{ error?: unknown; response: Response }>): Promise<void> {
  let answered: { error?: unknown; response: Response };
  try {
    answered = await request;
  } catch {
    throw new ApiProblem(UNREACHABLE);
  }
  if (answered.response.ok) return;
  throw new ApiProblem(isProblem(answered.error) ? answered.error : UNREACHABLE);
}

function isProblem(error: unknown): error is Problem {
  return typeof error === "object" && error !== null && "detail" in error;
}

/** Why a value was refused, in words, for the field that it was typed in. */
export const refusalOf = ({ problems, detail }: Problem): string => problems?.[0]?.message ?? detail;

/** What a failed request says about the one value that it asked about. */
export const refusalIn = (error: unknown): string => refusalOf(problemOf(error));

/** What a failed request says, as a problem. */
export function problemOf(error: unknown): Problem {
  if (error instanceof ApiProblem) return error.problem;
  const detail = error instanceof Error ? error.message : String(error);
  return { type: "/problems/unknown", title: "Unknown", status: 0, detail };
}
