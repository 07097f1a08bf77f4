// What a document's script stands on: decimal numbers, readings of what is typed, clauses, formulas, and one pass over all
// nodes in the order of their dependencies. Written in ECMAScript 3 (ISO/IEC 16262), for readers of every age.
var loess = {};

(function () {
  var MOST_DIGITS = 34;
  var SPACE = "\\u0009-\\u000d\\u001c-\\u0020\\u0085\\u00a0\\u1680\\u2000-\\u200a\\u2028\\u2029\\u202f\\u205f\\u3000";
  var OUTER = new RegExp("^[" + SPACE + "]+|[" + SPACE + "]+$", "g");

  // ---- numbers: sign, digits, and how many of these stand behind the point ----

  function zeros(count) {
    var all = "";
    while (count-- > 0) all += "0";
    return all;
  }

  function made(sign, digits, scale) {
    var from = 0;
    while (from < digits.length - 1 && digits.charAt(from) === "0") from++;
    digits = digits.substring(from);
    if (digits === "0" || digits === "") return { s: 0, d: "0", e: 0 };
    if (scale < 0) {
      digits += zeros(-scale);
      scale = 0;
    }
    var to = digits.length;
    while (scale > 0 && digits.charAt(to - 1) === "0") {
      to--;
      scale--;
    }
    return { s: sign, d: digits.substring(0, to), e: scale };
  }

  function n(text) {
    var negative = text.charAt(0) === "-";
    var plain = text.replace(/^[-+]/, "");
    var point = plain.indexOf(".");
    var digits = point < 0 ? plain : plain.substring(0, point) + plain.substring(point + 1);
    return made(negative ? -1 : 1, digits, point < 0 ? 0 : plain.length - point - 1);
  }

  function isNumber(value) {
    return value !== null && typeof value === "object" && value.d !== undefined;
  }

  function compareDigits(a, b) {
    return a.length !== b.length ? (a.length < b.length ? -1 : 1) : a < b ? -1 : a > b ? 1 : 0;
  }

  /** Both with as many digits behind the point. */
  function aligned(a, b) {
    var e = Math.max(a.e, b.e);
    return { a: trimmed(a.d + zeros(e - a.e)), b: trimmed(b.d + zeros(e - b.e)), e: e };
  }

  function trimmed(digits) {
    var plain = digits.replace(/^0+/, "");
    return plain === "" ? "0" : plain;
  }

  function compareNumbers(a, b) {
    if (a.s !== b.s) return a.s < b.s ? -1 : 1;
    var both = aligned(a, b);
    return a.s * compareDigits(both.a, both.b);
  }

  function addDigits(a, b) {
    var sum = "";
    var carry = 0;
    for (var i = a.length - 1, j = b.length - 1; i >= 0 || j >= 0 || carry; i--, j--) {
      var digit = carry + (i >= 0 ? a.charCodeAt(i) - 48 : 0) + (j >= 0 ? b.charCodeAt(j) - 48 : 0);
      sum = (digit % 10) + sum;
      carry = digit > 9 ? 1 : 0;
    }
    return sum === "" ? "0" : sum;
  }

  /** The first is not the smaller one. */
  function subtractDigits(a, b) {
    var difference = "";
    var borrow = 0;
    for (var i = a.length - 1, j = b.length - 1; i >= 0; i--, j--) {
      var digit = a.charCodeAt(i) - 48 - borrow - (j >= 0 ? b.charCodeAt(j) - 48 : 0);
      borrow = digit < 0 ? 1 : 0;
      difference = digit + 10 * borrow + difference;
    }
    return trimmed(difference);
  }

  function multiplyDigits(a, b) {
    var cells = [];
    for (var k = 0; k < a.length + b.length; k++) cells[k] = 0;
    for (var i = a.length - 1; i >= 0; i--) {
      for (var j = b.length - 1; j >= 0; j--) {
        var at = i + j + 1;
        var digit = cells[at] + (a.charCodeAt(i) - 48) * (b.charCodeAt(j) - 48);
        cells[at] = digit % 10;
        cells[at - 1] += Math.floor(digit / 10);
      }
    }
    return trimmed(cells.join(""));
  }

  function negated(a) {
    return { s: -a.s, d: a.d, e: a.e };
  }

  /** Takes digits away from the end. Modes: up, down, floor, ceiling, halfUp, halfDown, halfEven. */
  function cut(a, count, mode) {
    if (count <= 0) return a;
    var digits = count > a.d.length ? zeros(count - a.d.length) + a.d : a.d;
    var kept = trimmed(digits.substring(0, digits.length - count));
    var rest = digits.substring(digits.length - count);
    var half = compareDigits(rest, "5" + zeros(count - 1));
    var isExact = trimmed(rest) === "0";
    var grows =
      !isExact &&
      (mode === "up" ||
        (mode === "floor" && a.s < 0) ||
        (mode === "ceiling" && a.s > 0) ||
        (mode.substring(0, 4) === "half" &&
          (half > 0 ||
            (half === 0 &&
              (mode === "halfUp" || (mode === "halfEven" && Number(kept.charAt(kept.length - 1)) % 2 === 1))))));
    return made(a.s, grows ? addDigits(kept, "1") : kept, a.e - count);
  }

  function rounded(a) {
    return cut(a, a.d.length - MOST_DIGITS, "halfEven");
  }

  function add(a, b) {
    if (a.s === 0) return rounded(b);
    if (b.s === 0) return rounded(a);
    var both = aligned(a, b);
    if (a.s === b.s) return rounded(made(a.s, addDigits(both.a, both.b), both.e));
    var order = compareDigits(both.a, both.b);
    return order === 0
      ? n("0")
      : order > 0
        ? rounded(made(a.s, subtractDigits(both.a, both.b), both.e))
        : rounded(made(b.s, subtractDigits(both.b, both.a), both.e));
  }

  function multiply(a, b) {
    return rounded(made(a.s * b.s, multiplyDigits(a.d, b.d), a.e + b.e));
  }

  function divide(a, b) {
    if (b.s === 0) return null;
    if (a.s === 0) return a;
    // Two digits more than are kept, and a sign for what is left over, so that a half is told from more than a half.
    var more = Math.max(0, MOST_DIGITS + 2 - (a.d.length - b.d.length));
    var digits = a.d + zeros(more);
    var quotient = "";
    var rest = "0";
    for (var i = 0; i < digits.length; i++) {
      rest = trimmed(rest + digits.charAt(i));
      var times = 0;
      while (compareDigits(rest, b.d) >= 0) {
        rest = subtractDigits(rest, b.d);
        times++;
      }
      quotient += times;
    }
    var isExact = rest === "0";
    return rounded(made(a.s * b.s, isExact ? quotient : quotient + "1", a.e - b.e + more + (isExact ? 0 : 1)));
  }

  function toScale(a, scale, mode) {
    return a.e <= scale ? a : cut(a, a.e - scale, mode);
  }

  /** Whether a number has at most as many digits as are taken. */
  function isReasonable(digits, scale) {
    return digits <= MOST_DIGITS && scale <= MOST_DIGITS && digits - scale <= MOST_DIGITS;
  }

  function plain(a) {
    if (a.s === 0) return "0";
    var digits = a.d.length <= a.e ? zeros(a.e - a.d.length + 1) + a.d : a.d;
    return (
      (a.s < 0 ? "-" : "") +
      digits.substring(0, digits.length - a.e) +
      (a.e > 0 ? "." + digits.substring(digits.length - a.e) : "")
    );
  }

  // ---- days and times ----

  function day(days) {
    return { t: "D", n: days };
  }

  function time(seconds) {
    return { t: "T", n: seconds };
  }

  function isOf(value, type) {
    return value !== null && typeof value === "object" && value.t === type;
  }

  function lengthOfMonth(year, month) {
    var isLeap = (year % 4 === 0 && year % 100 !== 0) || year % 400 === 0;
    return month === 2 ? (isLeap ? 29 : 28) : month === 4 || month === 6 || month === 9 || month === 11 ? 30 : 31;
  }

  /** Days since 1970-01-01 in the calendar of ISO 8601. */
  function daysOf(year, month, date) {
    var y = month <= 2 ? year - 1 : year;
    var era = Math.floor(y / 400);
    var ofEra = y - era * 400;
    var ofYear = Math.floor((153 * (month + (month > 2 ? -3 : 9)) + 2) / 5) + date - 1;
    return era * 146097 + ofEra * 365 + Math.floor(ofEra / 4) - Math.floor(ofEra / 100) + ofYear - 719468;
  }

  function two(number) {
    return (number < 10 ? "0" : "") + number;
  }

  function dayText(days) {
    var z = days + 719468;
    var era = Math.floor(z / 146097);
    var ofEra = z - era * 146097;
    var yearOfEra = Math.floor(
      (ofEra - Math.floor(ofEra / 1460) + Math.floor(ofEra / 36524) - Math.floor(ofEra / 146096)) / 365
    );
    var ofYear = ofEra - (365 * yearOfEra + Math.floor(yearOfEra / 4) - Math.floor(yearOfEra / 100));
    var shifted = Math.floor((5 * ofYear + 2) / 153);
    var date = ofYear - Math.floor((153 * shifted + 2) / 5) + 1;
    var month = shifted + (shifted < 10 ? 3 : -9);
    var year = yearOfEra + era * 400 + (month <= 2 ? 1 : 0);
    var digits = String(year);
    return zeros(4 - digits.length) + digits + "-" + two(month) + "-" + two(date);
  }

  function timeText(seconds) {
    var rest = seconds % 60;
    return two(Math.floor(seconds / 3600)) + ":" + two(Math.floor(seconds / 60) % 60) + (rest ? ":" + two(rest) : "");
  }

  // ---- texts ----

  function composed(text) {
    return text.normalize ? text.normalize("NFC") : text;
  }

  function stripped(text) {
    return text.replace(OUTER, "");
  }

  function folded(text, matchCase) {
    var form = stripped(composed(text));
    return matchCase ? form : stripped(composed(text)).toUpperCase();
  }

  function points(text) {
    var count = 0;
    for (var i = 0; i < text.length; i++) {
      var unit = text.charCodeAt(i);
      var isHigh = unit >= 0xd800 && unit <= 0xdbff && i + 1 < text.length;
      if (isHigh && text.charCodeAt(i + 1) >= 0xdc00 && text.charCodeAt(i + 1) <= 0xdfff) i++;
      count++;
    }
    return count;
  }

  function has(list, element) {
    for (var i = 0; i < list.length; i++) if (list[i] === element) return true;
    return false;
  }

  // ---- what was typed: {v: value} or {bad: words} ----

  var NOTHING = { v: null };

  function readNumber(typed, withPoints) {
    var text = typed.replace(/\u2212/g, "-");
    if (text.length > 100) return { bad: 1 };
    if (withPoints && /^[-+]?[1-9]\d{0,2}\.\d{3}$/.test(text.replace(/,/g, "."))) return { bad: 1 };
    if (/^[-+]?[1-9]\d{0,2},\d{3}$/.test(text)) return { bad: 1 };
    var written = null;
    if (/^[-+]?(\d+([.]\d*)?|[.]\d+)$/.test(text)) written = text.replace(",", ".");
    else if (/^[-+]?\d{1,3}([ \u00a0\u2009\u202f'\u2019]\d{3})+([.]\d+)?$/.test(text))
      written = text.replace(/[ \u00a0\u2009\u202f'\u2019]/g, "").replace(",", ".");
    else if (/^[-+]?\d{1,3}(,\d{3})+\.\d+$|^[-+]?\d{1,3}(,\d{3}){2}$/.test(text)) written = text.replace(/,/g, "");
    else if (/^[-+]?\d{1,3}(\.\d{3})+,\d+$|^[-+]?\d{1,3}(\.\d{3}){2}$/.test(text))
      written = text.replace(/\./g, "").replace(",", ".");
    if (written === null) return { bad: 1 };
    var digits = written.replace(/^[-+]/, "").replace(/\.$/, "");
    var point = digits.indexOf(".");
    var scale = point < 0 ? 0 : digits.length - point - 1;
    var significant = trimmed(digits.replace(".", "")).length;
    return isReasonable(significant, scale) ? { v: n(written.replace(/\.$/, "")) } : { bad: 1 };
  }

  function readDay(typed) {
    var parts = /^(\d{4})-(\d\d)-(\d\d)$/.exec(typed);
    if (!parts) return { bad: 1 };
    var year = Number(parts[1]);
    var month = Number(parts[2]);
    var date = Number(parts[3]);
    return year >= 1 && month >= 1 && month <= 12 && date >= 1 && date <= lengthOfMonth(year, month)
      ? { v: day(daysOf(year, month, date)) }
      : { bad: 1 };
  }

  function readTime(typed) {
    var parts = /^(\d{1,2})[:.](\d\d)(?:[:.](\d\d))?$/.exec(typed);
    if (!parts) return { bad: 1 };
    var hour = Number(parts[1]);
    var minute = Number(parts[2]);
    var second = parts[3] ? Number(parts[3]) : 0;
    return hour < 24 && minute < 60 && second < 60 ? { v: time(hour * 3600 + minute * 60 + second) } : { bad: 1 };
  }

  function isAmong(field, chosen) {
    return (field.other && (chosen === "other" || chosen.charAt(0) === "=")) || has(field.choices, chosen);
  }

  function readOne(field, typed, offered) {
    if (field.other && typed.charAt(0) === "=" && has(offered.ids, "other")) {
      var words = stripped(composed(typed.substring(1)));
      return words === "" ? { bad: 1 } : { v: "other", w: words };
    }
    if (offered.restricted && !offered.ids.length && isAmong(field, typed)) return NOTHING;
    var known = has(offered.ids, typed) && !(field.other && typed === "other");
    return known ? { v: typed } : { bad: 1 };
  }

  function readSeveral(field, typed, offered) {
    var other = typed.charAt(0) === "=" ? 0 : typed.indexOf(",=") + 1;
    var hasOther = typed.charAt(0) === "=" || other > 0;
    var named = (hasOther ? typed.substring(0, other) : typed).split(",");
    var chosen = [];
    for (var i = 0; i < named.length; i++) {
      var id = stripped(named[i]);
      if (id !== "" && !has(chosen, id)) chosen.push(id);
    }
    if (hasOther) {
      if (stripped(typed.substring(other + 1)) === "") return { bad: 1 };
      if (!has(chosen, "other")) chosen.push("other");
    } else if (has(chosen, "other") && field.other) return { bad: 1 };
    var ordered = [];
    for (var k = 0; k < offered.ids.length; k++) if (has(chosen, offered.ids[k])) ordered.push(offered.ids[k]);
    var left = 0;
    var outOfDate = offered.restricted;
    for (var m = 0; m < chosen.length; m++) {
      if (!has(ordered, chosen[m])) {
        left++;
        outOfDate = outOfDate && isAmong(field, chosen[m]);
      }
    }
    if (left && !outOfDate) return { bad: 1 };
    return ordered.length ? { v: ordered } : NOTHING;
  }

  function readCell(typed, offered) {
    return has(offered.ids, typed) ? { v: typed } : offered.ids.length ? { bad: 1 } : NOTHING;
  }

  function read(field, given, offered) {
    var typed = stripped(given);
    if (typed === "") return NOTHING;
    switch (field.answer) {
      case "TEXT":
        return { v: composed(typed) };
      case "NUMBER":
        return readNumber(typed, loess.document.points);
      case "DAY":
        return readDay(typed);
      case "TIME":
        return readTime(typed);
      case "YES_NO":
        return typed === "yes" ? { v: true } : typed === "no" ? { v: false } : { bad: 1 };
      case "CHOICE":
        return field.cells ? readCell(typed, offered) : readOne(field, typed, offered);
      case "CHOICES":
        return readSeveral(field, typed, offered);
      default:
        return NOTHING;
    }
  }

  /** A value as it would be typed. */
  function typedText(value) {
    if (value === null || value === undefined) return "";
    if (value === true) return "yes";
    if (value === false) return "no";
    if (typeof value === "string") return value;
    if (isNumber(value)) return plain(value);
    if (isOf(value, "D")) return dayText(value.n);
    if (isOf(value, "T")) return timeText(value.n);
    return value.join(",");
  }

  // ---- limits of a kind ----

  function isAbove(number, bound) {
    var order = compareNumbers(number, bound.at);
    return bound.included ? order >= 0 : order > 0;
  }

  function isBelow(number, bound) {
    var order = compareNumbers(number, bound.at);
    return bound.included ? order <= 0 : order < 0;
  }

  function exceeds(field, value) {
    if (isNumber(value))
      return (
        (field.lower && !isAbove(value, field.lower)) ||
        (field.upper && !isBelow(value, field.upper)) ||
        value.e > field.decimals
      );
    if (isOf(value, "D") || isOf(value, "T"))
      return (
        (field.first !== undefined && value.n < field.first) || (field.last !== undefined && value.n > field.last)
      );
    if (typeof value === "string" && field.longest) return points(value) > field.longest;
    if (value instanceof Array) return value.length < field.least || (field.most > 0 && value.length > field.most);
    return false;
  }

  // ---- clauses; c is what is seen: counting values, rows, the row that is looked at, the day ----

  function value(c, key) {
    var rows = c.v[key];
    return rows[loess.nodes[key].rows ? c.row : 0];
  }

  function order(test, sign) {
    switch (test) {
      case "EQUAL":
        return sign === 0;
      case "NOT_EQUAL":
        return sign !== 0;
      case "LESS":
        return sign < 0;
      case "AT_MOST":
        return sign <= 0;
      case "MORE":
        return sign > 0;
      default:
        return sign >= 0;
    }
  }

  function signOf(a, b) {
    return a < b ? -1 : a > b ? 1 : 0;
  }

  function decide(a, b, test) {
    if (isNumber(a) && isNumber(b)) return order(test, compareNumbers(a, b));
    return ((isOf(a, "D") && isOf(b, "D")) || (isOf(a, "T") && isOf(b, "T"))) && order(test, signOf(a.n, b.n));
  }

  function enough(c, tests, wanted) {
    var missing = wanted;
    for (var i = 0; i < tests.length && missing > 0; i++) if (tests[i](c)) missing--;
    return missing <= 0;
  }

  function answered(c, key) {
    return value(c, key) !== null;
  }

  function choice(c, key, blank, is, ids) {
    var v = value(c, key);
    return v === null ? blank : has(ids, v === true ? "yes" : v === false ? "no" : v) === is;
  }

  function set(c, key, blank, test, ids) {
    var v = value(c, key);
    if (v === null) return blank;
    var found = 0;
    for (var i = 0; i < v.length; i++) if (has(ids, v[i])) found++;
    return test === "INCLUDES"
      ? found > 0
      : test === "DOES_NOT_INCLUDE"
        ? found === 0
        : found === ids.length && (test === "INCLUDES_ALL" || found === v.length);
  }

  function count(c, key, blank, test, number) {
    var v = value(c, key);
    return v === null ? blank : order(test, signOf(v.length, number));
  }

  function size(c, key, blank, test, number) {
    var v = value(c, key);
    return v === null ? blank : order(test, signOf(points(v), number));
  }

  function words(c, key, blank, test, text, matchCase) {
    var v = value(c, key);
    if (v === null) return blank;
    var said = folded(v, matchCase);
    var sought = folded(text, matchCase);
    switch (test) {
      case "IS":
        return said === sought;
      case "IS_NOT":
        return said !== sought;
      case "CONTAINS":
        return said.indexOf(sought) >= 0;
      case "DOES_NOT_CONTAIN":
        return said.indexOf(sought) < 0;
      case "STARTS_WITH":
        return said.substring(0, sought.length) === sought;
      default:
        return said.length >= sought.length && said.substring(said.length - sought.length) === sought;
    }
  }

  function pattern(c, key, blank, expression) {
    var v = value(c, key);
    return v === null ? blank : expression.test(v);
  }

  function bandOf(field, v) {
    var number = isOf(v, "D") ? n(String(v.n)) : v;
    if (!isNumber(number)) return null;
    for (var i = 0; i < field.bands.length; i++) {
      var band = field.bands[i];
      if (!band.upTo || isBelow(number, band.upTo)) return band.id;
    }
    return null;
  }

  function band(c, key, blank, ids) {
    var v = value(c, key);
    return v === null ? blank : has(ids, bandOf(loess.nodes[key], v));
  }

  function compare(c, key, blank, test, other, otherCanBeBlank) {
    var v = value(c, key);
    if (v === null) return blank;
    var to = other(c);
    return to === null ? blank && otherCanBeBlank : decide(v, to, test);
  }

  function between(c, key, blank, outside, low, lowIncluded, lowCanBeBlank, high, highIncluded, highCanBeBlank) {
    var v = value(c, key);
    if (v === null) return blank;
    var from = low(c);
    var to = high(c);
    if (from === null || to === null) return blank && ((from === null && lowCanBeBlank) || (to === null && highCanBeBlank));
    return (
      (decide(v, from, lowIncluded !== outside ? "AT_LEAST" : "MORE") &&
        decide(v, to, highIncluded !== outside ? "AT_MOST" : "LESS")) !== outside
    );
  }

  function ofRows(c, section, quantity, blank, test) {
    var rows = c.rows[section].length;
    if (rows === 0) return blank;
    var wanted = quantity !== "EVERY";
    var outer = c.row;
    var found = false;
    for (var row = 0; row < rows && !found; row++) {
      c.row = row;
      found = test(c) === wanted;
    }
    c.row = outer;
    return found === (quantity === "ANY");
  }

  function rowCount(c, section, test, number) {
    return order(test, signOf(c.rows[section].length, number));
  }

  function total(c, section, key, blank, test, other, otherCanBeBlank) {
    var sum = null;
    for (var row = 0; row < c.rows[section].length; row++) {
      var v = c.v[key][row];
      if (isNumber(v)) sum = sum === null ? v : exactly(sum, v);
    }
    var to = other(c);
    if (sum === null || to === null) return blank && (sum === null || otherCanBeBlank);
    return decide(sum, to, test);
  }

  /** Added without rounding. */
  function exactly(a, b) {
    if (a.s === 0) return b;
    if (b.s === 0) return a;
    var both = aligned(a, b);
    if (a.s === b.s) return made(a.s, addDigits(both.a, both.b), both.e);
    return compareDigits(both.a, both.b) >= 0
      ? made(a.s, subtractDigits(both.a, both.b), both.e)
      : made(b.s, subtractDigits(both.b, both.a), both.e);
  }

  // ---- formulas (DMN 1.4, 10.3.2): null is what is not known ----

  function isList(v) {
    return v instanceof Array;
  }

  function kindOf(v) {
    return v === null ? "null" : isNumber(v) ? "number" : isList(v) ? "list" : typeof v === "object" ? v.t : typeof v;
  }

  function feelAnd(a, b) {
    return a === false || b === false ? false : a === true && b === true ? true : null;
  }

  function feelOr(a, b) {
    return a === true || b === true ? true : a === false && b === false ? false : null;
  }

  function feelNot(a) {
    return a === true ? false : a === false ? true : null;
  }

  function equal(a, b) {
    if (a === null || b === null) return a === null && b === null;
    var kind = kindOf(a);
    if (kind !== kindOf(b)) return null;
    if (kind === "number") return compareNumbers(a, b) === 0;
    if (kind === "D" || kind === "T") return a.n === b.n;
    if (kind === "P") return compareNumbers(a.n, b.n) === 0;
    if (kind === "list") {
      var all = a.length === b.length;
      for (var i = 0; all && i < a.length; i++) all = equal(a[i], b[i]) === true;
      return all;
    }
    return a === b;
  }

  function feelOrder(a, b) {
    var kind = kindOf(a);
    if (kind !== kindOf(b)) return null;
    if (kind === "number") return compareNumbers(a, b);
    if (kind === "D" || kind === "T") return signOf(a.n, b.n);
    if (kind === "P") return compareNumbers(a.n, b.n);
    return kind === "string" ? signOf(a, b) : null;
  }

  function feelCompare(test, a, b) {
    if (test === "EQUAL") return equal(a, b);
    if (test === "NOT_EQUAL") return feelNot(equal(a, b));
    var sign = feelOrder(a, b);
    return sign === null ? null : order(test, sign);
  }

  function within(v, low, lowIncluded, high, highIncluded) {
    return feelAnd(
      feelCompare(lowIncluded ? "AT_LEAST" : "MORE", v, low),
      feelCompare(highIncluded ? "AT_MOST" : "LESS", v, high)
    );
  }

  function among(v, list) {
    if (!isList(list)) return list === null && v !== null ? null : equal(v, list);
    if (isList(v) && equal(v, list) === true) return true;
    for (var i = 0; i < list.length; i++) if (equal(list[i], v) === true) return true;
    return false;
  }

  function calculate(operation, a, b) {
    if (a === null || b === null) return null;
    if (typeof a === "string" && typeof b === "string") return operation === "ADD" ? a + b : null;
    if (!isNumber(a) || !isNumber(b)) return withTime(operation, a, b);
    switch (operation) {
      case "ADD":
        return add(a, b);
      case "SUBTRACT":
        return add(a, negated(b));
      case "MULTIPLY":
        return multiply(a, b);
      default:
        return divide(a, b);
    }
  }

  var SECONDS_OF_A_DAY = 86400;
  var NANOS = n("1000000000");

  /** A duration is so many thousand millionths of a second. */
  function duration(seconds) {
    return { t: "P", n: multiply(n(String(seconds)), NANOS) };
  }

  function ofNanos(nanos) {
    return nanos === null ? null : { t: "P", n: toScale(nanos, 0, "down") };
  }

  /** Whole units of some seconds in a duration. */
  function wholes(length, seconds) {
    return Number(plain(toScale(divide(length.n, multiply(n(String(seconds)), NANOS)), 0, "floor")));
  }

  /** Days, times and durations (DMN 1.4, tables 54 and 55). */
  function withTime(operation, a, b) {
    var both = kindOf(a) + " " + kindOf(b);
    switch (operation + " " + both) {
      case "SUBTRACT D D":
        return duration((a.n - b.n) * SECONDS_OF_A_DAY);
      case "SUBTRACT T T":
        return duration(a.n - b.n);
      case "SUBTRACT P P":
        return ofNanos(add(a.n, negated(b.n)));
      case "SUBTRACT D P":
      case "SUBTRACT T P":
        return withTime("ADD", a, { t: "P", n: negated(b.n) });
      case "ADD D P":
        return day(a.n + wholes(b, SECONDS_OF_A_DAY));
      case "ADD T P":
        return time((((a.n + wholes(b, 1)) % SECONDS_OF_A_DAY) + SECONDS_OF_A_DAY) % SECONDS_OF_A_DAY);
      case "ADD P P":
        return ofNanos(add(a.n, b.n));
      case "MULTIPLY P number":
        return ofNanos(multiply(a.n, b));
      case "MULTIPLY number P":
        return ofNanos(multiply(b.n, a));
      case "DIVIDE P number":
        return ofNanos(divide(a.n, b));
      case "DIVIDE P P":
        return divide(a.n, b.n);
      default:
        return null;
    }
  }

  function minus(a) {
    if (kindOf(a) === "P") return { t: "P", n: negated(a.n) };
    return isNumber(a) ? negated(a) : null;
  }

  function abs(a) {
    var number = kindOf(a) === "P" ? a.n : a;
    return isNumber(number) && number.s < 0 ? minus(a) : isNumber(number) ? a : null;
  }

  /** The values of a field in all rows. */
  function column(c, section, key) {
    var all = [];
    for (var row = 0; row < c.rows[section].length; row++) all.push(c.v[key][row]);
    return all;
  }

  /** The rows of a section, each with the values of its fields. */
  function contexts(c, section, keys) {
    var all = [];
    for (var row = 0; row < c.rows[section].length; row++) {
      var entries = {};
      for (var k = 0; k < keys.length; k++) entries[keys[k]] = c.v[keys[k]][row];
      all.push(entries);
    }
    return all;
  }

  function picked(rows, key) {
    var all = [];
    for (var i = 0; i < rows.length; i++) all.push(rows[i][key]);
    return all;
  }

  function mean(given) {
    var all = sum(given);
    return all === null ? null : divide(all, n(String(listOf(given).length)));
  }

  /** The answers to the fields that a lookup follows, as its tables know them; null where one is blank. */
  function answersBy(node, c) {
    var by = [];
    for (var i = 0; i < node.by.length; i++) {
      var v = value(c, node.by[i]);
      if (v === null) return null;
      by.push(v === true ? "yes" : v === false ? "no" : v);
    }
    return by.join("\u0001");
  }

  /** What stands in another column of the row that a lookup chose. */
  function cell(c, key, column) {
    var chosen = value(c, key);
    var by = answersBy(loess.nodes[key], c);
    if (chosen === null || by === null) return null;
    var found = loess.document.columns[column][by + "\u0001" + chosen];
    return found === undefined ? null : found;
  }

  function filtered(list, test) {
    var all = [];
    for (var i = 0; i < list.length; i++) if (test(list[i]) === true) all.push(list[i]);
    return all;
  }

  function listOf(given) {
    return given.length === 1 && isList(given[0]) ? given[0] : given;
  }

  function numbersOf(given) {
    var list = listOf(given);
    for (var i = 0; i < list.length; i++) if (!isNumber(list[i])) return null;
    return list.length ? list : null;
  }

  function countOf(given) {
    return given.length === 1 && given[0] === null ? null : n(String(listOf(given).length));
  }

  function extreme(given, sign) {
    if (given.length === 1 && given[0] === null) return null;
    var list = listOf(given);
    var best = null;
    for (var i = 0; i < list.length; i++) {
      var sense = feelOrder(list[i], best === null ? list[i] : best);
      if (sense === null) return null;
      if (best === null || sense * sign > 0) best = list[i];
    }
    return best;
  }

  function sum(given) {
    var numbers = numbersOf(given);
    if (!numbers) return null;
    var all = n("0");
    for (var i = 0; i < numbers.length; i++) all = add(all, numbers[i]);
    return all;
  }

  function totalOf(given) {
    var all = n("0");
    for (var i = 0; i < given.length; i++) {
      var v = given[i];
      var more = v === null ? n("0") : isNumber(v) ? v : isList(v) ? totalOf(v) : null;
      if (more === null) return null;
      all = add(all, more);
    }
    return all;
  }

  function rounding(v, scale, mode) {
    if (!isNumber(v) || !isNumber(scale)) return null;
    var places = Number(plain(toScale(scale, 0, "down")));
    return Math.abs(places) > 6000 ? null : rounded(toScale(v, places, mode));
  }

  function ofText(v, use) {
    return typeof v === "string" ? use(v) : null;
  }

  function ofTwo(a, b, use) {
    return typeof a === "string" && typeof b === "string" ? use(a, b) : null;
  }

  // ---- the document ----

  function enter(nodes) {
    loess.nodes = {};
    for (var i = 0; i < nodes.length; i++) loess.nodes[nodes[i].key] = nodes[i];
  }

  function address(node, c, row) {
    return node.rows ? node.key + "@" + c.rows[node.rows][row] : node.key;
  }

  function offered(node, c) {
    if (node.offer) {
      var chosen = value(c, node.offer.parent);
      var id = chosen === true ? "yes" : chosen === false ? "no" : chosen;
      return { ids: (id !== null && node.offer.per[id]) || [], restricted: true };
    }
    if (node.cells) {
      var by = answersBy(node, c);
      return { ids: (by !== null && node.per[by]) || [], restricted: node.by.length > 0 };
    }
    return { ids: node.choices || [], restricted: false };
  }

  /** The value of what a formula gives: of the field's kind, rounded to its decimals. */
  function workedOut(node, result, offers) {
    switch (node.answer) {
      case "NUMBER":
        if (!isNumber(result) || result.d.length - result.e > MOST_DIGITS) return null;
        var exact = toScale(result, node.decimals, "halfUp");
        return isReasonable(exact.d.length, exact.e) ? exact : null;
      case "YES_NO":
        return result === true || result === false ? result : null;
      case "DAY":
        return isOf(result, "D") ? result : null;
      case "TIME":
        return isOf(result, "T") ? result : null;
      case "TEXT":
        if (typeof result !== "string") return null;
        var text = stripped(composed(result));
        return text === "" ? null : text;
      default:
        return typeof result === "string" && has(offers.ids, result) ? result : null;
    }
  }

  /**
   * How everything stands for what is typed. The rows of a section are those up to the last one in which something is.
   *
   * typed: gives what is typed at an address; today: days since 1970-01-01, or null
   */
  function evaluate(typed, today) {
    var d = loess.document;
    var c = { v: {}, rows: {}, row: 0, today: today };
    var shown = {};
    var readings = {};
    var i, row, node, count;
    for (i = 0; i < d.order.length; i++) {
      node = loess.nodes[d.order[i]];
      count = node.rows ? c.rows[node.rows].length : 1;
      shown[node.key] = [];
      if (node.answer) {
        c.v[node.key] = [];
        readings[node.key] = [];
      }
      for (row = 0; row < count; row++) {
        c.row = row;
        var holds = !node.holder || shown[node.holder][loess.nodes[node.holder].rows ? row : 0];
        var isShown = holds && (!node.shown || node.shown(c));
        shown[node.key][row] = isShown;
        if (node.answer) {
          var reading = null;
          if (isShown) {
            var offers = offered(node, c);
            reading = node.value
              ? { v: workedOut(node, node.value(c), offers) }
              : read(node, typed(address(node, c, row)) || "", offers);
          }
          readings[node.key][row] = reading;
          c.v[node.key][row] = reading && reading.v !== undefined ? reading.v : null;
        } else if (node.room) {
          c.rows[node.key] = isShown ? rowsOf(node, typed) : [];
        }
      }
    }
    return states(c, shown, readings);
  }

  function rowsOf(section, typed) {
    var last = section.least;
    for (var i = section.least; i < section.room; i++) {
      for (var k = 0; k < section.fields.length; k++) {
        if (stripped(typed(section.fields[k] + "@r" + (i + 1)) || "") !== "") last = i + 1;
      }
    }
    var names = [];
    for (var r = 1; r <= last; r++) names.push("r" + r);
    return names;
  }

  function look(node, c) {
    for (var i = 0; i < node.looks.length; i++) if (node.looks[i].when(c)) return node.looks[i].look;
    return null;
  }

  function states(c, shown, readings) {
    var d = loess.document;
    var all = {};
    for (var i = 0; i < d.order.length; i++) {
      var node = loess.nodes[d.order[i]];
      for (var row = 0; row < shown[node.key].length; row++) {
        c.row = row;
        var state = { shown: shown[node.key][row], look: look(node, c) };
        if (node.answer) field(node, state, readings[node.key][row], c);
        if (node.follows) state.sign = sign(node, c);
        all[address(node, c, row)] = state;
      }
    }
    var unmet = [];
    for (var k = 0; k < d.finish.length; k++) if (!d.finish[k].when(c)) unmet.push(d.finish[k].message);
    return { nodes: all, rows: c.rows, unmet: unmet };
  }

  function field(node, state, reading, c) {
    var v = value(c, node.key);
    var offers = state.shown ? offered(node, c) : { ids: [], restricted: false };
    var canAnswer = !(offers.restricted || node.cells) || offers.ids.length > 0;
    var takes = loess.document.takes[node.role];
    state.editable = state.shown && node.typed && (!node.editable || node.editable(c));
    state.required =
      !!(node.required && node.required(c)) && state.editable && canAnswer && !(takes && !takes(c));
    state.missing = state.required && reading !== null && !reading.bad && v === null;
    state.value = typedText(v);
    state.offered = offers.restricted || (node.cells && node.by.length) ? offers.ids : null;
    state.band = node.bands && v !== null ? bandOf(node, v) : null;
    state.problem = "";
    if (reading && reading.bad) state.problem = told("unreadable");
    else if (v !== null) {
      if (exceeds(node, v)) state.problem = told("limits");
      else
        for (var i = 0; i < node.checks.length && state.problem === ""; i++)
          if (node.checks[i].when(c)) state.problem = node.checks[i].message;
    }
  }

  function told(name) {
    return loess.document.words[name];
  }

  function sign(node, c) {
    var v = value(c, node.follows);
    if (node.presence) return v === null ? "blank" : "answered";
    if (v === null) return null;
    if (node.bands) return bandOf(node, v);
    var chosen = isList(v) ? v : [v === true ? "yes" : v === false ? "no" : v];
    for (var i = 0; i < node.signs.length; i++) if (has(chosen, node.signs[i])) return node.signs[i];
    return null;
  }

  var shared = {
    n: n, plain: plain, day: day, time: time, value: value, enough: enough, answered: answered, choice: choice,
    set: set, count: count, size: size, words: words, pattern: pattern, band: band, compare: compare,
    between: between, ofRows: ofRows, rowCount: rowCount, total: total, and: feelAnd, or: feelOr, not: feelNot,
    test: feelCompare, within: within, among: among, calculate: calculate, minus: minus, abs: abs, column: column,
    filtered: filtered, countOf: countOf, extreme: extreme, sum: sum, mean: mean, picked: picked, contexts: contexts, cell: cell, duration: duration, totalOf: totalOf, rounding: rounding,
    ofText: ofText, ofTwo: ofTwo, points: points, isNumber: isNumber, isOf: isOf, isList: isList, enter: enter,
    evaluate: evaluate, daysOf: daysOf, divide: divide, negated: negated, typedText: typedText
  };
  for (var name in shared) if (shared.hasOwnProperty(name)) loess[name] = shared[name];
})();
