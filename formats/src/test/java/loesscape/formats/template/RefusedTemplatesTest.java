package loesscape.formats.template;

import static org.assertj.core.api.Assertions.assertThat;

import java.util.List;
import loesscape.core.model.InvalidTemplate;
import loesscape.core.model.Problem;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

/**
 * What a template is refused for, where, and in which words; beside each the nearest thing that is taken, so that a limit
 * that moves by one is found. JSON is written with ' for ".
 */
class RefusedTemplatesTest {

    private static final String DOCUMENT = """
            {'formatVersion':1,'title':'Permit','pages':[{'key':'p','sections':[
             {'key':'s','title':'Well','items':[
              {'type':'field','key':'f','label':'Tried','kind':KIND,'bands':BANDS,'value':VALUE,'shown':SHOWN},
              {'type':'field','key':'purpose','label':'Purpose','kind':{'type':'oneChoice','choices':[
                {'id':'house','label':'House water'},{'id':'irrigation','label':'Irrigation'}]}},
              {'type':'field','key':'uses','label':'Uses','kind':{'type':'severalChoices','choices':[
                {'id':'a','label':'A'},{'id':'b','label':'B'},{'id':'c','label':'C'}]}},
              {'type':'field','key':'fenced','label':'Fenced','kind':{'type':'yesNo'}},
              {'type':'field','key':'name','label':'Name','kind':{'type':'text'}},
              {'type':'field','key':'depth','label':'Depth','kind':{'type':'number','decimals':1},'bands':[
                {'id':'low','label':'Low','upTo':{'at':10,'included':false}},{'id':'high','label':'High'}]},
              {'type':'field','key':'start','label':'Start','kind':{'type':'date'}},
              {'type':'field','key':'hour','label':'Hour','kind':{'type':'time'}},
              {'type':'field','key':'plan','label':'Plan','kind':{'type':'attachment','most':1,'largest':1}}]},
             {'key':'samples','title':'Samples','rows':{'least':0,'most':5},'items':[
              {'type':'field','key':'acidity','label':'Acidity','kind':{'type':'number','decimals':1}},
              {'type':'field','key':'note','label':'Note','kind':{'type':'text'}}]}]}],
             'conditions':[{'key':'deep','name':'Deep','condition':
               {'type':'comparison','field':'depth','test':'more','to':{'type':'number','number':30}}},
              {'key':'sour','name':'Sour','condition':
               {'type':'comparison','field':'acidity','test':'less','to':{'type':'number','number':5}}}],
             'lists':[{'key':'soils','name':'Soils','columns':[{'key':'kind','title':'Kind'},
               {'key':'rate','title':'Rate','number':true}],'rows':[['Loess','2'],['Clay','3']]}],
             'roles':[{'key':'owner','name':'Owner','order':1}]}
            """;

    private static final String TEXT = "{'type':'text'}";
    private static final String SHORT = "{'type':'always'}";

    private static List<Problem> problems(String kind, String bands, String value, String shown) {
        String text = DOCUMENT.replace("KIND", kind)
                .replace("BANDS", bands)
                .replace("VALUE", value)
                .replace("SHOWN", shown)
                .replace('\'', '"');
        try {
            TemplateFile.read(text);
            return List.of();
        } catch (InvalidTemplate invalid) {
            return invalid.problems();
        }
    }

    private static void isRefused(List<Problem> found, String path, String message) {
        assertThat(found).contains(new Problem("/pages/0/sections/0/items/0" + path, message));
    }

    private static List<Problem> problems(String item) {
        int from = DOCUMENT.indexOf("{'type':'field','key':'f'");
        int to = DOCUMENT.indexOf("}", DOCUMENT.indexOf("SHOWN")) + 1;
        String text = DOCUMENT.substring(0, from) + item + DOCUMENT.substring(to);
        try {
            TemplateFile.read(text.replace('\'', '"'));
            return List.of();
        } catch (InvalidTemplate invalid) {
            return invalid.problems();
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            'clause':0 | 'clause':-1 | /clause | Clauses are counted up to 3 deep.
            'clause':3 | 'clause':4 | /clause | Clauses are counted up to 3 deep.
            'phrases':[{'name':'late','when':{'type':'always'}}] | 'phrases':[{'name':'Late','when':{'type':'always'}}] | /phrases/0/name | “Late” cannot be the name of a phrase: lower-case letters, digits and _, a letter first.
            'phrases':[{'name':'late','when':{'type':'always'}},{'name':'soon','when':{'type':'always'}}] | 'phrases':[{'name':'late','when':{'type':'always'}},{'name':'late','when':{'type':'always'}}] | /phrases/1/name | There are two phrases “late” in this text.
            'phrases':[{'name':'deeper','when':{'type':'always'}}] | 'phrases':[{'name':'depth','when':{'type':'always'}}] | /phrases/0/name | “depth” is the key of something else; call the phrase otherwise.
            'phrases':[{'name':'sample','when':{'type':'always'}}] | 'phrases':[{'name':'samples','when':{'type':'always'}}] | /phrases/0/name | “samples” is the key of something else; call the phrase otherwise.
            'phrases':[{'name':'late','when':{'type':'answered','field':'depth'}}] | 'phrases':[{'name':'late','when':{'type':'answered','field':'height'}}] | /phrases/0/when/field | There is no field “height”.
            """)
    void aTextIsRefused(String taken, String refused, String path, String message) {
        assertThat(problems("{'type':'notice','key':'n','text':'x'," + taken + "}"))
                .as(taken)
                .isEmpty();
        isRefused(problems("{'type':'notice','key':'n','text':'x'," + refused + "}"), path, message);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            'kind':{'type':'text'},'medium':'filling' | 'kind':{'type':'text'},'medium':'document' | /medium | “F” stands in the document only, so nobody could answer it; let it be asked while filling too.
            'kind':{'type':'number','decimals':0},'medium':'document','value':{'type':'workedOut','formula':'1'} | 'kind':{'type':'number','decimals':0},'medium':'document','value':{'type':'workedOut','formula':'1','overtypable':true} | /medium | “F” stands in the document only, so nobody could answer it; let it be asked while filling too.
            'kind':{'type':'signature'} | 'kind':{'type':'signature'},'medium':'filling' | /medium | “F” is asked while filling only; what is signed has to stand in the document.
            """)
    void whereAFieldStandsIsRefused(String taken, String refused, String path, String message) {
        assertThat(problems("{'type':'field','key':'f','label':'F'," + taken + "}"))
                .as(taken)
                .isEmpty();
        isRefused(problems("{'type':'field','key':'f','label':'F'," + refused + "}"), path, message);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', textBlock = """
            filling  | {'type':'initials'} | “F” is asked while filling only; what is signed has to stand in the document.
            document | {'type':'text'}     | “F” stands in the document only, so nobody could answer it; let it be asked while filling too.
            """)
    void whereASectionStandsCountsForAllInIt(String medium, String kind, String message) {
        String section =
                "{'type':'section','key':'inner','medium':'%s','items':[{'type':'field','key':'f','label':'F','kind':%s}]}";
        assertThat(problems(section.formatted("both", kind))).isEmpty();
        isRefused(problems(section.formatted(medium, kind)), "/items/0/medium", message);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            {'type':'number','decimals':0}  | {'type':'number','decimals':-1} | /kind/decimals | A number has 0 to 10 decimals.
            {'type':'number','decimals':10} | {'type':'number','decimals':11} | /kind/decimals | A number has 0 to 10 decimals.
            {'type':'number','decimals':0,'lower':{'at':1,'included':true},'upper':{'at':1,'included':true}} | {'type':'number','decimals':0,'lower':{'at':1,'included':true},'upper':{'at':1,'included':false}} | /kind/upper | No number lies between these limits; the upper one must be above the lower.
            {'type':'number','decimals':0,'lower':{'at':1,'included':false},'upper':{'at':2,'included':false}} | {'type':'number','decimals':0,'lower':{'at':2,'included':true},'upper':{'at':1,'included':true}} | /kind/upper | No number lies between these limits; the upper one must be above the lower.
            {'type':'money','currency':'JPY'} | {'type':'money','currency':'JPX'} | /kind/currency | “JPX” is not a currency code of ISO 4217, such as EUR.
            {'type':'rating','most':2}  | {'type':'rating','most':1}  | /kind/most | A rating goes from 1 to 2 up to 10.
            {'type':'rating','most':10} | {'type':'rating','most':11} | /kind/most | A rating goes from 1 to 2 up to 10.
            {'type':'phone','region':'NL'} | {'type':'phone','region':'XX'} | /kind/region | “XX” is not a country by two letters of ISO 3166-1, such as NL.
            {'type':'phone','region':''} | {'type':'phone','region':'nl'} | /kind/region | “nl” is not a country by two letters of ISO 3166-1, such as NL.
            {'type':'text','longest':0} | {'type':'text','longest':-1} | /kind/longest | The longest answer is 0 (no limit) to 100000 characters.
            {'type':'longText','longest':100000} | {'type':'longText','longest':100001} | /kind/longest | The longest answer is 0 (no limit) to 100000 characters.
            {'type':'text','placeholder':'one line'} | {'type':'text','placeholder':'two\\nlines'} | /kind/placeholder | This is one line; take out the line break.
            {'type':'date','earliest':'2026-02-01','latest':'2026-02-01'} | {'type':'date','earliest':'2026-02-02','latest':'2026-02-01'} | /kind/latest | The latest day lies before the earliest.
            {'type':'time','earliest':'09:00','latest':'09:00'} | {'type':'time','earliest':'09:01','latest':'09:00'} | /kind/latest | The latest time lies before the earliest.
            {'type':'attachment','most':1,'largest':1}   | {'type':'attachment','most':0,'largest':1}  | /kind/most | A field takes 1 to 20 files.
            {'type':'attachment','most':20,'largest':50} | {'type':'attachment','most':21,'largest':50} | /kind/most | A field takes 1 to 20 files.
            {'type':'attachment','most':1,'largest':1}   | {'type':'attachment','most':1,'largest':0}  | /kind/largest | A file has at most 1 to 50 megabytes.
            {'type':'attachment','most':1,'largest':50}  | {'type':'attachment','most':1,'largest':51} | /kind/largest | A file has at most 1 to 50 megabytes.
            {'type':'attachment','most':1,'largest':1,'endings':['pdf']} | {'type':'attachment','most':1,'largest':1,'endings':['pdf','.pdf']} | /kind/endings/1 | “.pdf” is not the ending of a file name, such as pdf.
            {'type':'picture','largest':50} | {'type':'picture','largest':51} | /kind/largest | A file has at most 1 to 50 megabytes.
            {'type':'payment','currency':'EUR','amount':'depth * 2'} | {'type':'payment','currency':'EU','amount':'1'} | /kind/currency | “EU” is not a currency code of ISO 4217, such as EUR.
            {'type':'oneChoice','choices':[{'id':'x','label':'X'}]} | {'type':'oneChoice','choices':[]} | /kind/choices | There is nothing to choose from; add a choice.
            {'type':'oneChoice','choices':[{'id':'x','label':'X'}]} | {'type':'oneChoice','choices':[{'id':'x','label':' '}]} | /kind/choices/0/label | The choice has no label; give it one.
            {'type':'oneChoice','other':false,'choices':[{'id':'other','label':'X'}]} | {'type':'oneChoice','other':true,'choices':[{'id':'other','label':'X'}]} | /kind/other | An answer in own words goes by the identity “other”, which one of the choices has.
            {'type':'severalChoices','least':1,'most':1,'choices':[{'id':'x','label':'X'}]} | {'type':'severalChoices','least':2,'most':1,'choices':[{'id':'x','label':'X'}]} | /kind/most | The most choices are not below the least, and neither is below 0.
            {'type':'severalChoices','least':3,'most':0,'choices':[{'id':'x','label':'X'}]} | {'type':'severalChoices','least':-1,'most':0,'choices':[{'id':'x','label':'X'}]} | /kind/most | The most choices are not below the least, and neither is below 0.
            {'type':'oneChoice','choices':[{'id':'x','label':'X'}],'offer':{'parent':'purpose','perAnswer':{'house':['x']}}} | {'type':'oneChoice','choices':[{'id':'x','label':'X'}],'offer':{'parent':'purpose','perAnswer':{'barn':['x']}}} | /kind/offer/perAnswer/barn | “Purpose” has no choice “barn”.
            {'type':'oneChoice','choices':[{'id':'x','label':'X'}],'offer':{'parent':'fenced','perAnswer':{'yes':['x']}}} | {'type':'oneChoice','choices':[{'id':'x','label':'X'}],'offer':{'parent':'fenced','perAnswer':{'yes':['y']}}} | /kind/offer/perAnswer/yes | “Tried” has no choice “y”.
            {'type':'oneChoice','choices':[{'id':'x','label':'X'}],'offer':{'parent':'fenced','perAnswer':{}}} | {'type':'oneChoice','choices':[{'id':'x','label':'X'}],'offer':{'parent':'uses','perAnswer':{}}} | /kind/offer/parent | Choices follow a field with one choice; “Uses” is none.
            {'type':'oneChoice','choices':[{'id':'x','label':'X'}],'offer':{'parent':'fenced','perAnswer':{}}} | {'type':'oneChoice','choices':[{'id':'x','label':'X'}],'offer':{'parent':'nobody','perAnswer':{}}} | /kind/offer/parent | There is no field “nobody”.
            {'type':'lookup','list':'soils','column':'kind'} | {'type':'lookup','list':'soil','column':'kind'} | /kind/list | There is no lookup list “soil”.
            {'type':'lookup','list':'soils','column':'rate'} | {'type':'lookup','list':'soils','column':'price'} | /kind/column | “Soils” has no column “price”.
            {'type':'lookup','list':'soils','column':'kind','filters':{'rate':'depth'}} | {'type':'lookup','list':'soils','column':'kind','filters':{'price':'depth'}} | /kind/filters/price | “Soils” has no column “price”.
            {'type':'lookup','list':'soils','column':'kind','filters':{'kind':'name'}} | {'type':'lookup','list':'soils','column':'kind','filters':{'kind':'start'}} | /kind/filters/kind | A list follows a text, a number or one choice; “Start” is none of these.
            {'type':'lookup','list':'soils','column':'kind','filters':{'kind':'purpose'}} | {'type':'lookup','list':'soils','column':'kind','filters':{'kind':'acidity'}} | /kind/filters/kind | “Acidity” stands in rows; only what stands in the same rows can follow it.
            """)
    void aKindIsRefused(String taken, String refused, String path, String message) {
        assertThat(problems(taken, "[]", "null", SHORT)).as(taken).isEmpty();
        isRefused(problems(refused, "[]", "null", SHORT), path, message);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            {'type':'answered','field':'depth'} | {'type':'answered','field':'height'} | /shown/field | There is no field “height”.
            {'type':'answered','field':'depth'} | {'type':'isBlank','field':'acidity'} | /shown/field | “Acidity” stands in rows; say for which: any row, every row, no row, or a total.
            {'type':'choice','field':'purpose','test':'is','choices':['house']} | {'type':'choice','field':'purpose','test':'is','choices':['barn']} | /shown/choices/0 | “Purpose” has no choice “barn”.
            {'type':'choice','field':'fenced','test':'is','choices':['yes']} | {'type':'choice','field':'fenced','test':'is','choices':[]} | /shown/choices | Say which choice is meant.
            {'type':'choice','field':'fenced','test':'isNot','choices':['no']} | {'type':'choice','field':'uses','test':'is','choices':['a']} | /shown | “Uses” has no such choices to compare with.
            {'type':'set','field':'uses','test':'includes','choices':['a','b']} | {'type':'set','field':'uses','test':'includes','choices':['a','d']} | /shown/choices/1 | “Uses” has no choice “d”.
            {'type':'set','field':'uses','test':'isExactly','choices':['a']} | {'type':'set','field':'purpose','test':'isExactly','choices':['house']} | /shown | “Purpose” has no such choices to compare with.
            {'type':'count','field':'uses','test':'more','count':0} | {'type':'count','field':'uses','test':'more','count':-1} | /shown/count | No fewer than 0 choices are chosen.
            {'type':'count','field':'uses','test':'more','count':0} | {'type':'count','field':'purpose','test':'more','count':0} | /shown | “Purpose” is not a field of several choices.
            {'type':'text','field':'name','test':'contains','text':'a'} | {'type':'text','field':'name','test':'contains','text':' '} | /shown/text | Say which text is meant; for no text at all, use “is blank”.
            {'type':'text','field':'name','test':'is','text':'a'} | {'type':'text','field':'depth','test':'is','text':'a'} | /shown | “Depth” does not hold text to compare with.
            {'type':'length','field':'name','test':'more','length':0} | {'type':'length','field':'name','test':'more','length':-1} | /shown/length | A text has no fewer than 0 characters.
            {'type':'length','field':'name','test':'more','length':0} | {'type':'length','field':'start','test':'more','length':0} | /shown | “Start” does not hold text to compare with.
            {'type':'band','field':'depth','bands':['low']} | {'type':'band','field':'depth','bands':['middle']} | /shown/bands/0 | “Depth” has no band “middle”.
            {'type':'band','field':'depth','bands':['low']} | {'type':'band','field':'depth','bands':[]} | /shown/bands | Say which band is meant.
            {'type':'comparison','field':'depth','test':'more','to':{'type':'number','number':1}} | {'type':'comparison','field':'name','test':'more','to':{'type':'number','number':1}} | /shown/to | “Name” cannot be compared with this: it is of another kind.
            {'type':'comparison','field':'start','test':'more','to':{'type':'date','date':'2026-01-01'}} | {'type':'comparison','field':'depth','test':'more','to':{'type':'date','date':'2026-01-01'}} | /shown/to | “Depth” cannot be compared with this: it is of another kind.
            {'type':'comparison','field':'hour','test':'more','to':{'type':'time','time':'09:00'}} | {'type':'comparison','field':'start','test':'more','to':{'type':'time','time':'09:00'}} | /shown/to | “Start” cannot be compared with this: it is of another kind.
            {'type':'comparison','field':'start','test':'more','to':{'type':'today','days':100000}} | {'type':'comparison','field':'start','test':'more','to':{'type':'today','days':100001}} | /shown/to/days | At most 100000 days before or after today.
            {'type':'comparison','field':'start','test':'more','to':{'type':'today','days':-100000}} | {'type':'comparison','field':'start','test':'more','to':{'type':'today','days':-100001}} | /shown/to/days | At most 100000 days before or after today.
            {'type':'comparison','field':'start','test':'more','to':{'type':'today','days':0}} | {'type':'comparison','field':'hour','test':'more','to':{'type':'today','days':0}} | /shown/to | “Hour” cannot be compared with this: it is of another kind.
            {'type':'comparison','field':'depth','test':'more','to':{'type':'field','field':'depth'}} | {'type':'comparison','field':'depth','test':'more','to':{'type':'field','field':'start'}} | /shown/to | “Depth” cannot be compared with this: it is of another kind.
            {'type':'comparison','field':'depth','test':'more','to':{'type':'formula','formula':'1 + 2'}} | {'type':'comparison','field':'purpose','test':'more','to':{'type':'formula','formula':'1 + 2'}} | /shown/to | “Purpose” cannot be compared with this: it is of another kind.
            {'type':'between','field':'depth','from':{'type':'number','number':1},'fromIncluded':true,'to':{'type':'number','number':1},'toIncluded':true} | {'type':'between','field':'depth','from':{'type':'number','number':1},'fromIncluded':true,'to':{'type':'number','number':1},'toIncluded':false} | /shown/to | Nothing lies between these edges; the second must be above the first.
            {'type':'between','field':'depth','from':{'type':'number','number':1},'fromIncluded':true,'to':{'type':'number','number':2},'toIncluded':true} | {'type':'between','field':'depth','from':{'type':'time','time':'09:00'},'fromIncluded':true,'toIncluded':true,'to':{'type':'number','number':2}} | /shown/from | “Depth” cannot be compared with this: it is of another kind.
            {'type':'stageIs','stages':['print']} | {'type':'stageIs','stages':[]} | /shown/stages | Say which stage is meant.
            {'type':'roleIs','roles':['owner']} | {'type':'roleIs','roles':[]} | /shown/roles | Say which role is meant.
            {'type':'roleIs','roles':['owner']} | {'type':'roleIs','roles':['owner','guest']} | /shown/roles/1 | There is no role “guest”.
            {'type':'shared','condition':'deep'} | {'type':'shared','condition':'shallow'} | /shown/condition | There is no shared condition “shallow”.
            {'type':'shared','condition':'deep'} | {'type':'shared','condition':'sour'} | /shown/condition | “Sour” looks at single rows, so it can be used only in the rows of “samples”.
            {'type':'ofRows','section':'samples','quantity':'any','condition':{'type':'answered','field':'note'}} | {'type':'ofRows','section':'s','quantity':'any','condition':{'type':'answered','field':'name'}} | /shown/section | There is no repeating section “s”.
            {'type':'ofRows','section':'samples','quantity':'every','condition':{'type':'shared','condition':'sour'}} | {'type':'ofRows','section':'samples','quantity':'every','condition':{'type':'answered','field':'nobody'}} | /shown/condition/field | There is no field “nobody”.
            {'type':'rowCount','section':'samples','test':'more','count':0} | {'type':'rowCount','section':'samples','test':'more','count':-1} | /shown/count | There are no fewer than 0 rows.
            {'type':'rowCount','section':'samples','test':'more','count':0} | {'type':'rowCount','section':'p','test':'more','count':0} | /shown/section | There is no repeating section “p”.
            {'type':'total','field':'acidity','test':'more','to':{'type':'number','number':1}} | {'type':'total','field':'note','test':'more','to':{'type':'number','number':1}} | /shown/field | There is no number “note” in rows to add up.
            {'type':'total','field':'acidity','test':'more','to':{'type':'number','number':1}} | {'type':'total','field':'depth','test':'more','to':{'type':'number','number':1}} | /shown/field | There is no number “depth” in rows to add up.
            {'type':'total','field':'acidity','test':'more','to':{'type':'field','field':'depth'}} | {'type':'total','field':'acidity','test':'more','to':{'type':'date','date':'2026-01-01'}} | /shown/to | “Acidity” cannot be compared with this: it is of another kind.
            {'type':'atLeast','count':1,'conditions':[{'type':'answered','field':'name'}]} | {'type':'atLeast','count':0,'conditions':[{'type':'answered','field':'name'}]} | /shown/count | At least 1 and at most all of the conditions have to hold.
            {'type':'atLeast','count':1,'conditions':[{'type':'answered','field':'name'}]} | {'type':'atLeast','count':2,'conditions':[{'type':'answered','field':'name'}]} | /shown/count | At least 1 and at most all of the conditions have to hold.
            {'type':'any','conditions':[{'type':'answered','field':'name'}]} | {'type':'any','conditions':[]} | /shown/conditions | The group is empty; put a condition in or take the group away.
            {'type':'none','conditions':[{'type':'answered','field':'name'}]} | {'type':'none','conditions':[{'type':'answered','field':'name'},{'type':'answered','field':'x'}]} | /shown/conditions/1/field | There is no field “x”.
            {'type':'written','formula':'depth > 1'} | {'type':'written','formula':'depth + 1'} | /shown/formula | A condition is true or false; this formula gives a number.
            """)
    void aConditionIsRefused(String taken, String refused, String path, String message) {
        assertThat(problems(TEXT, "[]", "null", taken)).as(taken).isEmpty();
        isRefused(problems(TEXT, "[]", "null", refused), path, message);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            {'type':'text'}   | [] | {'type':'starting','answer':'x'} | {'type':'starting','answer':' '} | /value/answer | Say with which answer the field begins.
            {'type':'number','decimals':0} | [] | {'type':'workedOut','formula':'1 + 2'} | {'type':'workedOut','formula':'\\"x\\"'} | /value/formula | This field takes a number; this formula gives text.
            {'type':'date'}   | [] | {'type':'workedOut','formula':'start'} | {'type':'workedOut','formula':'depth'} | /value/formula | This field takes a date; this formula gives a number.
            """)
    void aValueIsRefused(String kind, String bands, String taken, String refused, String path, String message) {
        assertThat(problems(kind, bands, taken, SHORT)).as(taken).isEmpty();
        isRefused(problems(kind, bands, refused, SHORT), path, message);
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            {'type':'signature'}
            {'type':'initials'}
            {'type':'dateSigned'}
            {'type':'payment','currency':'EUR','amount':'1'}
            {'type':'attachment','most':1,'largest':1}
            {'type':'picture','largest':1}
            """)
    void nothingIsSignedPaidOrHandedInBeforehand(String kind) {
        assertThat(problems(kind, "[]", "null", SHORT)).isEmpty();
        isRefused(
                problems(kind, "[]", "{'type':'starting','answer':'x'}", SHORT),
                "/value/answer",
                "This field cannot begin with an answer: nobody signs, pays or hands in beforehand.");
        isRefused(
                problems(kind, "[]", "{'type':'workedOut','formula':'1'}", SHORT),
                "/value",
                "An answer of this kind cannot be worked out.");
    }

    private static List<Problem> ofDocument(String item, String tail) {
        String text = """
                {'formatVersion':1,'title':'T','pages':[{'key':'p','sections':[{'key':'s','title':'S','items':[
                 {'type':'field','key':'depth','label':'Depth','kind':{'type':'number','decimals':1}},
                 {'type':'field','key':'start','label':'Start','kind':{'type':'date'}},
                 {'type':'field','key':'fenced','label':'Fenced','kind':{'type':'yesNo'}},
                 {'type':'field','key':'photo','label':'Photo','kind':{'type':'picture','largest':1}}%s]}]}]%s}""".formatted(item.isEmpty() ? "" : "," + item, tail.isEmpty() ? "" : "," + tail)
                .replace('\'', '"');
        try {
            TemplateFile.read(text);
            return List.of();
        } catch (InvalidTemplate invalid) {
            return invalid.problems();
        }
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            {'type':'divider','key':'line'} | {'type':'divider','key':'depth'} | /key | The key “depth” is already used at /pages/0/sections/0/items/0; keys are unique.
            {'type':'notice','key':'n','text':'x','folding':{'milliseconds':2000}} | {'type':'notice','key':'n','text':'x','folding':{'milliseconds':2001}} | /folding/milliseconds | A motion takes 0 to 2000 milliseconds.
            {'type':'notice','key':'n','text':'x','folding':{'milliseconds':0}} | {'type':'notice','key':'n','text':'x','folding':{'milliseconds':-1}} | /folding/milliseconds | A motion takes 0 to 2000 milliseconds.
            {'type':'indicator','key':'i','follows':'depth','bands':[{'id':'low','upTo':{'at':1,'included':true}},{'id':'high'}]} | {'type':'indicator','key':'i','follows':'height','bands':[{'id':'low','upTo':{'at':1,'included':true}},{'id':'high'}]} | /follows | There is no field “height”.
            {'type':'indicator','key':'i','follows':'depth','bands':[{'id':'low','upTo':{'at':1,'included':true}},{'id':'high'}]} | {'type':'indicator','key':'i','follows':'fenced','bands':[{'id':'low','upTo':{'at':1,'included':true}},{'id':'high'}]} | /follows | Bands follow a number or a date; “Fenced” is neither.
            {'type':'indicator','key':'i','follows':'start','bands':[{'id':'all'}]} | {'type':'indicator','key':'i','follows':'start','bands':[{'id':'low','upTo':{'at':1,'included':true}},{'id':'high'}]} | /bands/0/upTo | A band of “Start” ends on a day.
            {'type':'indicator','key':'i','follows':'fenced','choices':[{'choice':'yes','sign':{'label':'Y'}}]} | {'type':'indicator','key':'i','follows':'fenced','choices':[{'choice':'maybe','sign':{'label':'Y'}}]} | /choices/0/choice | “Fenced” has no choice “maybe”.
            {'type':'indicator','key':'i','follows':'fenced','choices':[{'choice':'yes','sign':{'label':'Y'}}]} | {'type':'indicator','key':'i','follows':'fenced','choices':[{'choice':'yes','sign':{'label':'Y'}},{'choice':'yes','sign':{'label':'Z'}}]} | /choices/1/choice | This choice is there twice.
            {'type':'indicator','key':'i','follows':'depth','presence':{'answered':{'label':'A'},'blank':{'label':'B'}}} | {'type':'indicator','key':'i','follows':'depth'} | | An indicator shows bands, or choices, or the presence of an answer: one of these.
            {'type':'picture','key':'m','label':'M','follows':'photo'} | {'type':'picture','key':'m','label':'M','follows':'depth'} | /follows | “Depth” does not take a picture.
            {'type':'picture','key':'m','label':'M','file':'well.svg'} | {'type':'picture','key':'m','label':'M','file':'../well.svg'} | /file | “../well.svg” is not the name of a file beside the template.
            {'type':'section','key':'r','title':'R','rows':{'least':0,'most':1},'items':[]} | {'type':'section','key':'r','title':'R','rows':{'least':0,'most':0},'items':[]} | /rows | A section has 0 to 1000 rows, and the most is not below the least.
            {'type':'section','key':'r','title':'R','rows':{'least':2,'most':2},'items':[]} | {'type':'section','key':'r','title':'R','rows':{'least':3,'most':2},'items':[]} | /rows | A section has 0 to 1000 rows, and the most is not below the least.
            {'type':'field','key':'f','label':'F','kind':{'type':'text'}} | {'type':'field','key':'f','label':' ','kind':{'type':'text'}} | /label | The field has no label; give it one.
            {'type':'field','key':'f','label':'F','kind':{'type':'text'}} | {'type':'field','key':'f','label':'F','kind':{'type':'text'},'role':'guest'} | /role | There is no role “guest”.
            {'type':'field','key':'f','label':'F','kind':{'type':'text'}} | {'type':'field','key':'f','label':'F','kind':{'type':'text'},'bands':[{'id':'a','upTo':{'at':1,'included':true}},{'id':'b'}]} | /bands | Only numbers, amounts of money, ratings and dates have bands.
            {'type':'field','key':'f','label':'F','kind':{'type':'text'},'checks':[{'refusedWhen':{'type':'answered','field':'depth'},'message':'No.'}]} | {'type':'field','key':'f','label':'F','kind':{'type':'text'},'checks':[{'refusedWhen':{'type':'answered','field':'depth'},'message':' '}]} | /checks/0/message | Say what is to be done; there is no message.
            {'type':'field','key':'f','label':'F','kind':{'type':'text'},'looks':[{'when':{'type':'always'},'look':{'bold':true}}]} | {'type':'field','key':'f','label':'F','kind':{'type':'text'},'looks':[{'when':{'type':'always'},'look':{'bold':true},'extent':'row'}]} | /looks/0/extent | Only a field in rows can give its row a look.
            """)
    void anItemIsRefused(String taken, String refused, String path, String message) {
        assertThat(ofDocument(taken, "")).as(taken).isEmpty();
        assertThat(ofDocument(refused, ""))
                .contains(new Problem("/pages/0/sections/0/items/4" + (path == null ? "" : path), message));
    }

    @ParameterizedTest
    @CsvSource(delimiter = '|', quoteCharacter = '`', textBlock = """
            'roles':[{'key':'a','name':'A','order':1},{'key':'b','name':'B','order':1}] | 'roles':[{'key':'a','name':'A','order':1},{'key':'a','name':'B','order':1}] | /roles/1/key | “a” cannot be the key of a role, or is used twice.
            'roles':[{'key':'a','name':'A','order':1}] | 'roles':[{'key':'A','name':'A','order':1}] | /roles/0/key | “A” cannot be the key of a role, or is used twice.
            'roles':[{'key':'a','name':'A','order':1}] | 'roles':[{'key':'a','name':' ','order':1}] | /roles/0/name | The role has no name; give it one.
            'roles':[{'key':'a','name':'A','order':1,'takesPart':{'type':'answered','field':'depth'}}] | 'roles':[{'key':'a','name':'A','order':1,'takesPart':{'type':'answered','field':'x'}}] | /roles/0/takesPart/field | There is no field “x”.
            'finish':[{'when':{'type':'answered','field':'depth'},'message':'Say how deep.'}] | 'finish':[{'when':{'type':'answered','field':'depth'},'message':''}] | /finish/0/message | Say what is to be done; there is no message.
            'finish':[{'when':{'type':'answered','field':'depth'},'message':'Say how deep.'}] | 'finish':[{'when':{'type':'answered','field':'x'},'message':'Say how deep.'}] | /finish/0/when/field | There is no field “x”.
            'pageSettings':{'language':'ar-EG'} | 'pageSettings':{'language':'arabic_EG'} | /pageSettings/language | “arabic_EG” is not a language tag like de or ar-EG (BCP 47).
            'trials':[{'name':'Deep','answers':{}},{'name':'Flat','answers':{}}] | 'trials':[{'name':'Deep','answers':{}},{'name':'Deep','answers':{}}] | /trials/1/name | A trial has a name of its own; give it one.
            'trials':[{'name':'Deep','answers':{}}] | 'trials':[{'name':' ','answers':{}}] | /trials/0/name | A trial has a name of its own; give it one.
            'accepted':[{'key':'depth','message':'M','about':'0000000000000000000000000000000000000000000000000000000000000000','reason':'R'}] | 'accepted':[{'key':'gone','message':'M','about':'0000000000000000000000000000000000000000000000000000000000000000','reason':'R'}] | /accepted/0/key | “gone” is no item that something could have been found about.
            'accepted':[{'key':'','message':'M','about':'0000000000000000000000000000000000000000000000000000000000000000','reason':'R'}] | 'accepted':[{'key':'','message':'M','about':'0000000000000000000000000000000000000000000000000000000000000000','reason':' '}] | /accepted/0/reason | Say why this finding is accepted.
            'accepted':[{'key':'','message':'M','about':'0000000000000000000000000000000000000000000000000000000000000000','reason':'R'}] | 'accepted':[{'key':'','message':'M','about':'0000000000000000000000000000000000000000000000000000000000000000g','reason':'R'}] | /accepted/0/about | A fingerprint has 64 hexadecimal digits.
            'lists':[{'key':'l','name':'L','columns':[{'key':'a','title':'A'}],'rows':[['x']]}] | 'lists':[{'key':'l','name':'L','columns':[],'rows':[]}] | /lists/0/columns | A list has 1 to 50 columns.
            'lists':[{'key':'l','name':'L','columns':[{'key':'a','title':'A'}],'rows':[['x']]}] | 'lists':[{'key':'l','name':'L','columns':[{'key':'a','title':'A'}],'rows':[['x','y']]}] | /lists/0/rows/0 | This row has 2 cells; there are 1 columns.
            'lists':[{'key':'l','name':'L','columns':[{'key':'a','title':'A','number':true}],'rows':[['12.5']]}] | 'lists':[{'key':'l','name':'L','columns':[{'key':'a','title':'A','number':true}],'rows':[['x']]}] | /lists/0/rows/0/0 | “x” is not a number, as this column holds; write it like 12.5.
            'conditions':[{'key':'c','name':'C','condition':{'type':'answered','field':'depth'}}] | 'conditions':[{'key':'depth','name':'C','condition':{'type':'answered','field':'depth'}}] | /conditions/0/key | The key “depth” is already used at /pages/0/sections/0/items/0; keys are unique.
            'conditions':[{'key':'c','name':'C','condition':{'type':'answered','field':'depth'}}] | 'conditions':[{'key':'c','name':'C','condition':{'type':'shared','condition':'d'}},{'key':'d','name':'D','condition':{'type':'shared','condition':'c'}}] | /conditions | These shared conditions use each other in a circle: c → d → c. Take one of them out of another.
            """)
    void whatBelongsToTheWholeIsRefused(String taken, String refused, String path, String message) {
        assertThat(ofDocument("", taken)).as(taken).isEmpty();
        assertThat(ofDocument("", refused)).contains(new Problem(path, message));
    }
}
