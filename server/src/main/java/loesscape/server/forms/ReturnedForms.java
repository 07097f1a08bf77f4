package loesscape.server.forms;

import java.time.Clock;
import java.time.LocalDate;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.State;
import loesscape.core.model.Refused;
import loesscape.core.signing.SignedDocument;
import loesscape.formats.answers.AnswerMatching;
import loesscape.formats.answers.GivenAnswers;
import loesscape.formats.answers.InTheWay;
import loesscape.formats.evidence.Trail;
import loesscape.server.files.FileNames;
import loesscape.server.filling.AnswerRules;
import loesscape.server.filling.Fillings;
import loesscape.server.platform.web.Problems;
import loesscape.server.records.ReturnedFormStore;
import loesscape.server.records.ReturnedFormStore.ReturnedForm;
import loesscape.server.templates.ReleaseStore;
import loesscape.server.templates.ReleasedTemplates;
import loesscape.server.templates.TemplateStore;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Files with answers that come back: looked at, and taken into the records of a template. */
@Service
class ReturnedForms {

    /** More documents are merged where nobody waits for an answer. */
    private static final int MOST = 1_000;

    private final ReleaseStore releaseList;
    private final ReleasedTemplates releases;
    private final TemplateStore templates;
    private final ReturnedFormStore returned;
    private final Fillings fillings;
    private final AnswerRules rules;
    private final AnswerFiles answerFiles;
    private final TransactionTemplate transactions;
    private final Clock clock;

    ReturnedForms(
            ReleaseStore releaseList,
            ReleasedTemplates releases,
            TemplateStore templates,
            ReturnedFormStore returned,
            Fillings fillings,
            AnswerRules rules,
            AnswerFiles answerFiles,
            TransactionTemplate transactions,
            Clock clock) {
        this.releaseList = releaseList;
        this.releases = releases;
        this.templates = templates;
        this.returned = returned;
        this.fillings = fillings;
        this.rules = rules;
        this.answerFiles = answerFiles;
        this.transactions = transactions;
        this.clock = clock;
    }

    /**
     * A document in a file with answers.
     *
     * @param position in the file, counted from 1
     * @param called its first answer; may be empty
     * @param taken how many answers belong to the release
     * @param notTaken what does not, a sentence each
     * @param inTheWay why it cannot be a record, a sentence each
     * @param record the one that was made of it; null for none
     */
    record Returned(
            int position,
            String called,
            int taken,
            List<String> notTaken,
            List<String> inTheWay,
            @Nullable Integer record) {}

    /**
     * What is in a file with answers.
     *
     * @param release that it was read for
     * @param releases all there are, the newest first
     * @param first the answers of the first document, by the addresses of their fields
     */
    record ReturnedFile(int release, List<Integer> releases, Map<String, String> first, List<Returned> forms) {}

    /** Who brings a file, and what it is called. */
    record Bringing(String name, long account) {}

    /**
     * Looks at a file.
     *
     * @param release to read it for; 0 for the one that most of it belongs to
     */
    ReturnedFile look(UUID template, int release, byte[] file) {
        return read(template, release, file, null);
    }

    /** Makes records of all documents in a file that can be one, each once. */
    ReturnedFile take(UUID template, int release, byte[] file, Bringing bringing) {
        return read(template, release, file, bringing);
    }

    private ReturnedFile read(UUID template, int wanted, byte[] file, @Nullable Bringing bringing) {
        List<Integer> all = releaseList.list(template).stream()
                .map(ReleaseStore.ListedRelease::number)
                .toList();
        if (all.isEmpty()) {
            throw new Problems.Missing(
                    "Nothing is released yet, so nothing can have been filled in; release it first.");
        }
        List<GivenAnswers> documents = documents(file);
        int number = wanted == 0 ? best(template, all, documents.getFirst()) : wanted;
        CompiledTemplate release = releases.get(template, number);
        AnswerMatching matching = AnswerMatching.of(release.prepared());
        AnswerReplay replay = new AnswerReplay(release, rules, LocalDate.now(clock));
        String digest = Trail.digest(file);
        List<Returned> forms = new ArrayList<>();
        Map<String, String> first = Map.of();
        for (int i = 0; i < documents.size(); i++) {
            GivenAnswers given = documents.get(i);
            AnswerMatching.Matched matched = matching.match(given);
            AnswerReplay.Replayed replayed = replay.type(matched.answers());
            if (i == 0) {
                first = replayed.answers().typed();
            }
            List<String> notTaken = new ArrayList<>(matched.unmatched());
            notTaken.addAll(replayed.refused());
            List<String> inTheWay = inTheWay(release, replayed.answers());
            ReturnedForm form = new ReturnedForm(
                    bringing == null ? "" : FileNames.plain(bringing.name(), "answers"),
                    digest,
                    i + 1,
                    documents.size() == 1 ? file : null);
            Integer record = returned.record(template, form).orElse(null);
            if (bringing != null && record == null && inTheWay.isEmpty()) {
                try {
                    record = taken(template, number, form, replayed.answers(), bringing);
                } catch (Refused refused) {
                    inTheWay = List.of(String.valueOf(refused.getMessage()));
                }
            }
            forms.add(new Returned(
                    i + 1,
                    given.values().values().stream()
                            .findFirst()
                            .map(List::getFirst)
                            .orElse(""),
                    replayed.answers().typed().size(),
                    notTaken,
                    inTheWay,
                    record));
        }
        return new ReturnedFile(number, all, first, forms);
    }

    private Integer taken(UUID template, int release, ReturnedForm form, Answers answers, Bringing bringing) {
        return Objects.requireNonNull(transactions.execute(status -> {
            templates.lock(template);
            // Somebody else may have brought the same in the meantime.
            return returned.record(template, form).orElseGet(() -> {
                int made = fillings.take(template, release, answers);
                returned.keep(template, made, form, bringing.account());
                return made;
            });
        }));
    }

    private List<GivenAnswers> documents(byte[] file) {
        List<GivenAnswers> documents = answerFiles.read(file);
        if (documents.size() > MOST) {
            throw new Refused(
                    Refused.Cause.NOT_VALID,
                    "The file has answers for %,d documents; at most %,d are taken at once. Split it."
                            .formatted(documents.size(), MOST));
        }
        if (documents.stream().allMatch(each -> each.values().isEmpty())) {
            throw new Refused(Refused.Cause.NOT_VALID, "Nothing is filled in in this file.");
        }
        return documents;
    }

    /** The newest of the releases that most of a document belongs to. */
    private int best(UUID template, List<Integer> all, GivenAnswers document) {
        int best = all.getFirst();
        int least = Integer.MAX_VALUE;
        for (int each : all) {
            int unmatched = AnswerMatching.of(releases.get(template, each).prepared())
                    .match(document)
                    .unmatched()
                    .size();
            if (unmatched < least) {
                best = each;
                least = unmatched;
            }
        }
        return best;
    }

    private List<String> inTheWay(CompiledTemplate release, Answers answers) {
        State state = SignedDocument.ofOne(release).state("", answers, LocalDate.now(clock));
        return InTheWay.told(release.symbols(), state.obstacles(), answers);
    }
}
