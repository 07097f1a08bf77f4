// Made from the Java types by ./loesscape types; do not edit.

export type AnswerKept = {
  kept: string;
  states: Record<string, NodeState>;
  progress: Progress[];
  obstacles: Obstacle[];
};

export type Aspect = "shown" | "required" | "editable";

export type Band = {
  id: string;
  label: string;
  look: Look;
  upTo: Bound | null;
};

export type BandClause = {
  field: string;
  bands: string[];
  whenBlank: boolean | null;
};

export type Block = {
  title: string;
  lines: Line[];
};

export type Bond = {
  follows: string[];
  followers: string[];
  depth: number;
};

export type Bound = {
  at: number;
  included: boolean;
};

export type Choice = {
  id: string;
  label: string;
};

export type ChoiceClause = {
  field: string;
  test: ChoiceTest;
  choices: string[];
  whenBlank: boolean | null;
};

export type ChoiceLayout = "marks" | "list";

export type ChoiceTest = "is" | "isNot";

export type ClauseAnswered = {
  field: string;
};

export type ClauseBetween = {
  field: string;
  outside: boolean;
  from: ClauseOperand;
  fromIncluded: boolean;
  to: ClauseOperand;
  toIncluded: boolean;
  whenBlank: boolean | null;
};

export type ClauseComparison = {
  field: string;
  test: OrderTest;
  to: ClauseOperand;
  whenBlank: boolean | null;
};

export type ClauseIsBlank = {
  field: string;
};

export type ClauseOperand =
  | ({ type: "number" } & NumberOperand)
  | ({ type: "date" } & DateOperand)
  | ({ type: "field" } & FieldOperand)
  | ({ type: "today" } & TodayOperand);

export type Column = {
  key: string;
  name: string;
  label: string;
  numeric: boolean;
};

export type Condition =
  | ({ type: "always" } & ConditionAlways)
  | ({ type: "never" } & ConditionNever)
  | ({ type: "all" } & ConditionAll)
  | ({ type: "any" } & ConditionAny)
  | ({ type: "none" } & ConditionNone)
  | ({ type: "atLeast" } & ConditionAtLeast)
  | ({ type: "answered" } & ClauseAnswered)
  | ({ type: "isBlank" } & ClauseIsBlank)
  | ({ type: "choice" } & ChoiceClause)
  | ({ type: "text" } & TextClause)
  | ({ type: "length" } & LengthClause)
  | ({ type: "band" } & BandClause)
  | ({ type: "comparison" } & ClauseComparison)
  | ({ type: "between" } & ClauseBetween)
  | ({ type: "written" } & ConditionWritten)
  | ({ type: "stageIs" } & ConditionStageIs);

export type ConditionAll = {
  conditions: Condition[];
};

export type ConditionAlways = {
};

export type ConditionAny = {
  conditions: Condition[];
};

export type ConditionAtLeast = {
  count: number;
  conditions: Condition[];
};

export type ConditionNever = {
};

export type ConditionNone = {
  conditions: Condition[];
};

export type ConditionStageIs = {
  stages: Stage[];
};

export type ConditionWritten = {
  formula: string;
};

export type Content = {
  title: string;
  subtitle: string;
  sections: Block[];
};

export type Credentials = {
  name: string;
  password: string;
};

export type DateOperand = {
  date: string;
};

export type Draft = {
  revision: number;
  release: number;
  changed: string;
  canUndo: boolean;
  canRedo: boolean;
  title: string;
  subtitle: string;
  held: Record<string, string[]>;
  nodes: Record<string, NodeView>;
  answers: Record<string, string>;
  vocabulary: Vocabulary;
};

export type DraftChange = {
  revision: number;
  changed: string;
  canUndo: boolean;
  canRedo: boolean;
  title: string;
  subtitle: string;
  held: Record<string, string[]>;
  nodes: Record<string, NodeView>;
  gone: string[];
};

export type Edit =
  | ({ type: "retitle" } & EditRetitle)
  | ({ type: "add" } & EditAdd)
  | ({ type: "relabel" } & EditRelabel)
  | ({ type: "setHelp" } & EditSetHelp)
  | ({ type: "renameKey" } & EditRenameKey)
  | ({ type: "setWidth" } & EditSetWidth)
  | ({ type: "setKind" } & EditSetKind)
  | ({ type: "addChoice" } & EditAddChoice)
  | ({ type: "relabelChoice" } & EditRelabelChoice)
  | ({ type: "moveChoice" } & EditMoveChoice)
  | ({ type: "removeChoice" } & EditRemoveChoice)
  | ({ type: "setCondition" } & EditSetCondition)
  | ({ type: "setBands" } & EditSetBands)
  | ({ type: "follow" } & EditFollow)
  | ({ type: "move" } & EditMove)
  | ({ type: "duplicate" } & EditDuplicate)
  | ({ type: "delete" } & EditDelete);

export type EditAdd = {
  what: Novelty;
  label: string;
  holder: string;
  after: string | null;
};

export type EditAddChoice = {
  key: string;
  label: string;
  after: string | null;
};

export type EditDelete = {
  keys: string[];
  dropFollowers: boolean;
};

export type EditDuplicate = {
  key: string;
};

export type EditFollow = {
  key: string;
  field: string;
};

export type EditMove = {
  key: string;
  holder: string;
  after: string | null;
};

export type EditMoveChoice = {
  key: string;
  choice: string;
  after: string | null;
};

export type EditRelabel = {
  key: string;
  label: string;
};

export type EditRelabelChoice = {
  key: string;
  choice: string;
  label: string;
};

export type EditRemoveChoice = {
  key: string;
  choice: string;
  dropFollowers: boolean;
};

export type EditRenameKey = {
  key: string;
  to: string;
};

export type EditRequest = {
  revision: number;
  edit: Edit;
};

export type EditRetitle = {
  title: string;
  subtitle: string;
};

export type EditSetBands = {
  key: string;
  bands: Band[];
};

export type EditSetCondition = {
  keys: string[];
  aspect: Aspect;
  condition: Condition | null;
};

export type EditSetHelp = {
  key: string;
  help: string;
};

export type EditSetKind = {
  key: string;
  kind: FieldKind;
};

export type EditSetWidth = {
  key: string;
  width: Width;
};

export type Field = {
  key: string;
  label: string;
  help: string;
  width: Width;
  kind: FieldKind;
  shown: Condition | null;
  required: Condition | null;
  editable: Condition | null;
  bands: Band[];
};

export type FieldKind =
  | ({ type: "text" } & FieldKindText)
  | ({ type: "longText" } & FieldKindLongText)
  | ({ type: "email" } & FieldKindEmail)
  | ({ type: "phone" } & FieldKindPhone)
  | ({ type: "webAddress" } & FieldKindWebAddress)
  | ({ type: "number" } & FieldKindNumber)
  | ({ type: "money" } & FieldKindMoney)
  | ({ type: "yesNo" } & FieldKindYesNo)
  | ({ type: "oneChoice" } & FieldKindOneChoice)
  | ({ type: "date" } & FieldKindDate);

export type FieldKindDate = {
  earliest: string | null;
  latest: string | null;
};

export type FieldKindEmail = {
};

export type FieldKindLongText = {
  placeholder: string;
  longest: number;
};

export type FieldKindMoney = {
  currency: string;
  lower: Bound | null;
  upper: Bound | null;
};

export type FieldKindNumber = {
  decimals: number;
  unit: string;
  lower: Bound | null;
  upper: Bound | null;
};

export type FieldKindOneChoice = {
  choices: Choice[];
  layout: ChoiceLayout;
};

export type FieldKindPhone = {
  region: string;
};

export type FieldKindText = {
  placeholder: string;
  longest: number;
};

export type FieldKindWebAddress = {
};

export type FieldKindYesNo = {
};

export type FieldOperand = {
  field: string;
};

export type Finished = {
  record: number | null;
  obstacles: Obstacle[];
};

export type Indicator = {
  key: string;
  label: string;
  follows: string;
  bands: Band[];
  shown: Condition | null;
};

export type Item =
  | ({ type: "field" } & Field)
  | ({ type: "notice" } & Notice)
  | ({ type: "indicator" } & Indicator);

export type LengthClause = {
  field: string;
  test: OrderTest;
  length: number;
  whenBlank: boolean | null;
};

export type Line =
  | ({ type: "answer" } & LineAnswer)
  | ({ type: "told" } & LineTold)
  | ({ type: "indicated" } & LineIndicated);

export type LineAnswer = {
  key: string;
  label: string;
  text: string;
  look: Look;
};

export type LineIndicated = {
  label: string;
  text: string;
  look: Look;
};

export type LineTold = {
  text: string;
};

export type Look = {
  shade: Shade;
  bold: boolean;
  mark: Mark;
};

export type Made = {
  id: string;
};

export type Mark = "none" | "tick" | "drop" | "eye" | "warning" | "stop";

export type NewLink = {
  release: number;
  path: string;
};

export type NewRelease = {
  revision: number;
  notes: string;
};

export type NewTemplate = {
  title: string;
};

export type Node =
  | ({ type: "page" } & Page)
  | ({ type: "section" } & Section)
  | ({ type: "field" } & Field)
  | ({ type: "notice" } & Notice)
  | ({ type: "indicator" } & Indicator);

export type NodeState =
  | ({ type: "plain" } & NodeStatePlainState)
  | ({ type: "field" } & NodeStateFieldState)
  | ({ type: "indicator" } & NodeStateIndicatorState);

export type NodeStateFieldState = {
  shown: boolean;
  met: Aspect[];
  editable: boolean;
  required: boolean;
  missing: boolean;
  value: Value;
  band: string | null;
  problem: string | null;
};

export type NodeStateIndicatorState = {
  shown: boolean;
  met: Aspect[];
  band: string | null;
};

export type NodeStatePlainState = {
  shown: boolean;
  met: Aspect[];
};

export type NodeView = {
  node: Node;
  name: string;
  sentences: Sentence[];
  state: NodeState;
  folded: string;
  bond: Bond;
};

export type Notice = {
  key: string;
  text: string;
  shown: Condition | null;
};

export type Novelty = "section" | "text" | "longText" | "email" | "phone" | "webAddress" | "number" | "money" | "yesNo" | "oneChoice" | "date" | "notice" | "indicator";

export type NumberOperand = {
  number: number;
};

export type Obstacle = {
  key: string;
  message: string;
};

export type Operator = "is" | "isNot" | "equal" | "notEqual" | "less" | "atMost" | "more" | "atLeast" | "between" | "contains" | "doesNotContain" | "startsWith" | "endsWith" | "matches" | "outside" | "inBand" | "length" | "answered" | "blank";

export type OrderTest = "equal" | "notEqual" | "less" | "atMost" | "more" | "atLeast";

export type Page = {
  key: string;
  title: string;
  shown: Condition | null;
  sections: Section[];
};

export type Part =
  | ({ type: "words" } & PartWords)
  | ({ type: "strong" } & PartStrong)
  | ({ type: "fieldName" } & PartFieldName)
  | ({ type: "figure" } & PartFigure)
  | ({ type: "blankRule" } & PartBlankRule);

export type PartBlankRule = {
  text: string;
};

export type PartFieldName = {
  key: string;
  text: string;
};

export type PartFigure = {
  text: string;
};

export type PartStrong = {
  text: string;
};

export type PartWords = {
  text: string;
};

export type Progress = {
  key: string;
  title: string;
  needed: number;
  asked: number;
};

export type RecordPage = {
  number: number;
  release: number;
  finished: string;
  content: Content;
  newer: number | null;
  older: number | null;
};

export type RecordTable = {
  title: string;
  columns: Column[];
  rows: Row[];
  total: number;
};

export type ReleaseList = {
  title: string;
  revision: number;
  changedSince: boolean;
  releases: ReleaseRow[];
};

export type ReleaseRow = {
  number: number;
  released: string;
  by: string;
  notes: string;
  links: number;
  records: number;
};

export type Row = {
  number: number;
  release: number;
  finished: string;
  cells: Record<string, string>;
};

export type Section = {
  key: string;
  title: string;
  help: string;
  shown: Condition | null;
  items: Item[];
};

export type Sentence = {
  aspects: Aspect[];
  parts: Part[];
};

export type Session = {
  author: string | null;
  needsSetup: boolean;
  demoAuthor: string | null;
};

export type Shade = "plain" | "moss" | "river" | "straw" | "ochre" | "clay" | "stone";

export type Sheet = {
  title: string;
  subtitle: string;
  held: Record<string, string[]>;
  nodes: Record<string, Node>;
  states: Record<string, NodeState>;
  answers: Record<string, string>;
  progress: Progress[];
  obstacles: Obstacle[];
  record: number | null;
};

export type Stage = "filling" | "reviewing" | "finished" | "print";

export type Standing = "neverReleased" | "released" | "changedSinceRelease";

export type TemplateList = {
  templates: TemplateRow[];
};

export type TemplateRow = {
  id: string;
  title: string;
  standing: Standing;
  changed: string;
  releases: number;
  records: number;
};

export type TextClause = {
  field: string;
  test: TextTest;
  text: string;
  matchCase: boolean;
  whenBlank: boolean | null;
};

export type TextTest = "is" | "isNot" | "contains" | "doesNotContain" | "startsWith" | "endsWith" | "matches";

export type TodayOperand = {
  days: number;
};

export type Typed = {
  key: string;
  typed: string;
};

export type TypedAnswer = {
  typed: string;
};

export type Value =
  | { type: "blank" }
  | ({ type: "text" } & ValueText)
  | ({ type: "number" } & ValueNumber)
  | ({ type: "yesNo" } & ValueYesNo)
  | ({ type: "date" } & ValueDate)
  | ({ type: "chosen" } & ValueChosen);

export type ValueChosen = {
  choice: string;
};

export type ValueDate = {
  date: string;
};

export type ValueNumber = {
  number: number;
};

export type ValueText = {
  text: string;
};

export type ValueYesNo = {
  yes: boolean;
};

export type Verb = {
  operator: Operator;
  words: string;
  metWhenBlank: boolean;
};

export type Vocabulary = {
  operators: Record<string, Verb[]>;
};

export type Width = "full" | "half" | "third";
