// What a form does with what its script decides: it reads its fields, and shows, locks, asks, colours and works out.

loess.last = {};

loess.raw = {};

/** Keeps what was written as it was written. */
loess.take = function (event) {
  if (typeof event.value === "string") loess.raw[event.target.name] = event.value;
};

/** Whether a reader can have made one of the other: some make a number of blanks, which is none. */
loess.isSame = function (raw, value) {
  return raw === value || value === "NaN" || Number(raw.replace(",", ".")) === Number(value);
};

/** What stands in a field as it was written. */
loess.written = function (doc, name) {
  var field = doc.getField(name);
  if (!field) return "";
  var value = field.valueAsString !== undefined ? field.valueAsString : field.value;
  if (value === null || value === undefined || value === "Off") return "";
  var raw = loess.raw[name];
  return raw !== undefined && loess.isSame(raw, String(value)) ? raw : String(value);
};

loess.read = function (doc) {
  return function (address) {
    var control = loess.controls[address];
    if (!control || control.computed) return "";
    var own = control.own ? loess.written(doc, "words/" + address) : "";
    if (control.kind === "several") {
      var ids = [];
      var isOther = false;
      for (var i = 0; i < control.ids.length; i++)
        if (loess.written(doc, address + "." + control.ids[i]) !== "") {
          if (control.ids[i] === "other" && own !== "") isOther = true;
          else ids.push(control.ids[i]);
        }
      // Own words may hold what stands between choices, so they come last.
      if (isOther) ids.push("=" + own);
      return ids.join(",");
    }
    var text = loess.written(doc, address);
    if (text === " ") return "";
    return control.own && text === "other" && own !== "" ? "=" + own : text;
  };
};

/** Sets what is other than it was. */
loess.put = function (field, name, property, value) {
  var key = name + " " + property;
  var told = String(value);
  if (loess.last[key] === told) return;
  loess.last[key] = told;
  field[property] = value;
};

loess.dress = function (doc, name, stands) {
  var field = doc.getField(name);
  if (!field) return;
  loess.put(field, name, "display", stands.shown ? display.visible : display.hidden);
  loess.put(field, name, "readonly", !stands.editable);
  loess.put(field, name, "required", stands.required);
  if (stands.colours || loess.last[name + " fillColor"] !== undefined) {
    loess.put(field, name, "textColor", stands.colours ? stands.colours[0] : ["RGB", 0.118, 0.165, 0.157]);
    loess.put(field, name, "fillColor", stands.colours ? stands.colours[1] : ["RGB", 1, 1, 1]);
  }
};

/** Offers what can be chosen now, and keeps what was chosen while it still can be. */
loess.offer = function (doc, address, control, offered) {
  var items = [[" ", " "]];
  for (var i = 0; i < control.items.length; i++)
    for (var k = 0; k < offered.length; k++) if (offered[k] === control.items[i][1]) items.push(control.items[i]);
  var told = String(items);
  if (loess.last[address + " items"] === told) return;
  loess.last[address + " items"] = told;
  var field = doc.getField(address);
  var chosen = loess.read(doc)(address);
  field.setItems(items);
  var kept = " ";
  for (var j = 0; j < items.length; j++) if (items[j][1] === chosen) kept = chosen;
  field.value = kept;
};

loess.colours = function (address, state) {
  var key = address.split("@")[0];
  if (state.look !== null && state.look !== undefined) return loess.looks[key] ? loess.looks[key][state.look] : null;
  return (state.band && loess.bands[key] && loess.bands[key][state.band]) || null;
};

loess.rules = function (doc) {
  var now = new Date();
  var result = loess.evaluate(loess.read(doc), loess.daysOf(now.getFullYear(), now.getMonth() + 1, now.getDate()));
  loess.result = result;
  var missing = [];
  var problems = [];
  for (var address in loess.controls) {
    var control = loess.controls[address];
    var key = address.split("@")[0];
    var state = result.nodes[address];
    if (!state) {
      // A row that nothing was written in yet.
      var section = loess.nodes[key].rows;
      state = { shown: !section || result.nodes[section].shown, editable: true, required: false, look: null };
    }
    var stands = {
      shown: state.shown,
      editable: state.editable && !control.computed,
      required: state.required,
      colours: loess.colours(address, state)
    };
    if (control.kind === "several") {
      for (var i = 0; i < control.ids.length; i++) {
        var isOffered = !state.offered || String("," + state.offered + ",").indexOf("," + control.ids[i] + ",") >= 0;
        loess.dress(doc, address + "." + control.ids[i], {
          shown: stands.shown && isOffered, editable: stands.editable, required: false, colours: null
        });
      }
    } else {
      loess.dress(doc, address, stands);
      if (control.kind === "list" && state.offered) loess.offer(doc, address, control, state.offered);
      if (control.computed) {
        var text = state.value || "";
        for (var l = 0; control.items && l < control.items.length; l++)
          if (control.items[l][1] === text) text = control.items[l][0];
        var shows = doc.getField(address);
        if (shows) loess.put(shows, address, "value", text);
      }
    }
    if (control.own)
      loess.dress(doc, "words/" + address, {
        shown: stands.shown, editable: stands.editable, required: false, colours: null
      });
    if (state.missing) missing.push(control.label);
    if (state.problem === "?" || state.problem === "!")
      problems.push(loess.say[state.problem === "?" ? "unreadable" : "limits"].replace("{0}", control.label));
    else if (state.problem) problems.push(control.label + ": " + state.problem);
  }
  loess.coverFolded(doc, result);
  loess.showSigns(doc, result);
  for (var u = 0; u < result.unmet.length; u++) problems.push(result.unmet[u]);
  var told = [];
  if (missing.length) told.push(loess.say.stillNeeded.replace("{0}", missing.join(", ")));
  if (problems.length) told.push(loess.say.toMend.replace("{0}", problems.join("; ")));
  return told.length ? told.join("\n") : loess.say.complete;
};

loess.coverFolded = function (doc, result) {
  for (var i = 0; i < loess.covers.length; i++) {
    var address = loess.covers[i];
    var state = result.nodes[address];
    var field = doc.getField("fold/" + address);
    if (field && state)
      loess.put(field, "fold/" + address, "display", state.shown ? display.hidden : display.visible);
  }
};

loess.showSigns = function (doc, result) {
  for (var address in loess.signs) {
    var state = result.nodes[address];
    var field = doc.getField("sign/" + address);
    if (!field || !state) continue;
    var sign = loess.signs[address][state.sign];
    loess.dress(doc, "sign/" + address, {
      shown: state.shown, editable: false, required: false, colours: (sign && sign[1]) || null
    });
    loess.put(field, "sign/" + address, "value", sign ? sign[0] : "");
  }
};
