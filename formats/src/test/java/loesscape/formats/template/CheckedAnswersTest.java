package loesscape.formats.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.time.LocalDate;
import loesscape.core.evaluation.Answers;
import loesscape.core.evaluation.CompiledTemplate;
import loesscape.core.evaluation.Context;
import loesscape.core.evaluation.NodeState;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * The limits of each kind at their edges: what is typed, and what is said of it. Written down from docs/meaning.md and
 * docs/template-file.md, and not from the code. JSON is written with ' for ".
 */
class CheckedAnswersTest {

    private static @Nullable String problem(String kind, String typed) {
        String text = """
                {'formatVersion':1,'title':'T','pages':[{'key':'p','sections':[{'key':'s','title':'S','items':[
                 {'type':'field','key':'f','label':'F','kind':%s}]}]}]}""".formatted(kind).replace('\'', '"');
        NodeState state = CompiledTemplate.compile(TemplateFile.read(text))
                .evaluate(Answers.NONE.with("f", typed), Context.filling(LocalDate.of(2026, 11, 24)))
                .of("f");
        return state instanceof NodeState.FieldState field ? field.problem() : "no field";
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            {'type':'text','longest':3} | abc   |
            {'type':'text','longest':3} | abcd  | This has 4 characters; at most 3 fit.
            {'type':'text','longest':3} | 🌱🌱🌱 |
            {'type':'longText','longest':3} | abcd | This has 4 characters; at most 3 fit.
            {'type':'text','longest':0} | as much as one wants |
            {'type':'email'} | mira@veldhollow.example |
            {'type':'email'} | mira@ | This is not an e-mail address; write it like name@example.com.
            {'type':'webAddress'} | https://veldhollow.example/wells?n=1 |
            {'type':'webAddress'} | ftp://veldhollow.example | This is not a web address; write it like https://www.example.com.
            {'type':'phone','region':''} | +44 7700 900123 |
            {'type':'phone','region':''} | 07700 900123 | This is not a telephone number; begin with + and the country code, like +31 20 123 4567.
            {'type':'phone','region':'GB'} | 07700 900123 |
            {'type':'phone','region':'GB'} | 12 | This is not a telephone number; write it with its area code, or with + and the country code.
            {'type':'number','decimals':0} | 5 |
            {'type':'number','decimals':0} | 5.5 | Write a whole number, without decimals.
            {'type':'number','decimals':1} | 5.5 |
            {'type':'number','decimals':1} | 5.55 | Write at most 1 decimal; 5.55 has more.
            {'type':'number','decimals':2} | 5.555 | Write at most 2 decimals; 5.555 has more.
            {'type':'number','decimals':1,'unit':'m','lower':{'at':1,'included':true},'upper':{'at':2,'included':true}} | 1 |
            {'type':'number','decimals':1,'unit':'m','lower':{'at':1,'included':true},'upper':{'at':2,'included':true}} | 2 |
            {'type':'number','decimals':1,'unit':'m','lower':{'at':1,'included':true},'upper':{'at':2,'included':true}} | 2.1 | This must be at least 1 m and at most 2 m; 2.1 m is not.
            {'type':'number','decimals':1,'unit':'m','lower':{'at':1,'included':true},'upper':{'at':2,'included':true}} | 0.9 | This must be at least 1 m and at most 2 m; 0.9 m is not.
            {'type':'number','decimals':0,'lower':{'at':1,'included':false}} | 1 | This must be more than 1; 1 is not.
            {'type':'number','decimals':0,'lower':{'at':1,'included':false}} | 2 |
            {'type':'number','decimals':0,'upper':{'at':9,'included':false}} | 9 | This must be less than 9; 9 is not.
            {'type':'number','decimals':0,'upper':{'at':9,'included':false}} | 8 |
            {'type':'money','currency':'EUR'} | 10.25 |
            {'type':'money','currency':'EUR'} | 10.255 | Write at most 2 decimals; 10.255 has more.
            {'type':'money','currency':'JPY'} | 10 |
            {'type':'money','currency':'JPY'} | 10.5 | Write a whole number, without decimals.
            {'type':'rating','most':5} | 1 |
            {'type':'rating','most':5} | 5 |
            {'type':'rating','most':5} | 6 | This must be from 1 to 5; 6 is not.
            {'type':'rating','most':5} | 0 | This must be from 1 to 5; 0 is not.
            {'type':'rating','most':5} | 2.5 | Write a whole number, without decimals.
            {'type':'date','earliest':'2026-01-01','latest':'2026-12-31'} | 2026-01-01 |
            {'type':'date','earliest':'2026-01-01','latest':'2026-12-31'} | 2026-12-31 |
            {'type':'date','earliest':'2026-01-01','latest':'2026-12-31'} | 2025-12-31 | The day must be 1 January 2026 or later and 31 December 2026 or earlier.
            {'type':'date','earliest':'2026-01-01','latest':'2026-12-31'} | 2027-01-01 | The day must be 1 January 2026 or later and 31 December 2026 or earlier.
            {'type':'time','earliest':'09:00','latest':'17:30'} | 09:00 |
            {'type':'time','earliest':'09:00','latest':'17:30'} | 17:30 |
            {'type':'time','earliest':'09:00','latest':'17:30'} | 08:59 | The time must be 09:00 or later and 17:30 or earlier.
            {'type':'time','earliest':'09:00','latest':'17:30'} | 17:31 | The time must be 09:00 or later and 17:30 or earlier.
            {'type':'severalChoices','least':2,'most':2,'choices':[{'id':'a','label':'A'},{'id':'b','label':'B'},{'id':'c','label':'C'}]} | a,b |
            {'type':'severalChoices','least':2,'most':2,'choices':[{'id':'a','label':'A'},{'id':'b','label':'B'},{'id':'c','label':'C'}]} | a | Choose at least 2; this is 1.
            {'type':'severalChoices','least':2,'most':2,'choices':[{'id':'a','label':'A'},{'id':'b','label':'B'},{'id':'c','label':'C'}]} | a,b,c | Choose at most 2; this is 3.
            {'type':'attachment','most':1,'largest':1,'endings':['pdf']} | a 1000000 plan.pdf |
            {'type':'attachment','most':1,'largest':1,'endings':['pdf']} | a 1000000 PLAN.PDF |
            {'type':'attachment','most':1,'largest':1,'endings':['pdf']} | a 1000001 plan.pdf | “plan.pdf” is too large; at most 1 MB are taken.
            {'type':'attachment','most':1,'largest':1,'endings':['pdf','odt']} | a 1 plan.txt | “plan.txt” cannot be taken; hand in pdf, odt.
            {'type':'picture','largest':1} | a 1000000 well.jpeg |
            {'type':'picture','largest':1} | a 1 well.gif | “well.gif” cannot be taken; hand in png, jpg, jpeg.
            """)
    void whatIsTypedIsCheckedByItsKind(String kind, String typed, @Nullable String said) {
        assertThat(problem(kind, typed)).isEqualTo(said);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            1 | At most 1 file fits here.
            2 | At most 2 files fit here.
            """)
    void noMoreFilesAreTakenThanFit(int most, String said) {
        String kind = "{'type':'attachment','most':%d,'largest':1}".formatted(most);
        StringBuilder files = new StringBuilder("a 1 one.pdf");
        for (int i = 1; i < most; i++) {
            files.append("\nb").append(i).append(" 1 more.pdf");
        }
        assertThat(problem(kind, files.toString())).isNull();
        assertThat(problem(kind, files + "\nz 1 last.pdf")).isEqualTo(said);
    }
}
