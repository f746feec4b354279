package yellowrail.app.stage;

import static org.springframework.test.web.servlet.request.MockMvcRequestBuilders.get;
import static org.springframework.test.web.servlet.result.MockMvcResultMatchers.status;

import java.net.URI;
import java.util.List;
import org.springframework.beans.factory.annotation.Autowired;
import tools.jackson.databind.JsonNode;
import tools.jackson.databind.json.JsonMapper;
import yellowrail.app.AppIT;

/** A stage as it is asked for by its address, without a browser. */
abstract class StageAnswers extends AppIT {
    @Autowired
    protected StageEngine engine;

    @Autowired
    protected TubeFactsOf facts;

    protected final JsonMapper json = JsonMapper.builder().build();

    protected JsonNode picture(String query) throws Exception {
        return json.readTree(mvc.perform(get(
                        URI.create("/stage/picture?" + query.replace(" ", "%20").replace("−", "-"))))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString());
    }

    protected List<JsonNode> pieces(String query) throws Exception {
        return mvc.perform(get("/stage/sweeps?" + query))
                .andExpect(status().isOk())
                .andReturn()
                .getResponse()
                .getContentAsString()
                .lines()
                .map(json::readTree)
                .toList();
    }

    protected StageReader.Read read(String query) {
        StageForm form = StageForm.from(query);
        return StageReader.read(form, facts.of(form));
    }
}
