package yellowrail.app.swap;

import java.time.OffsetDateTime;
import java.util.Optional;
import java.util.UUID;
import org.apache.ibatis.annotations.Insert;
import org.apache.ibatis.annotations.Mapper;
import org.apache.ibatis.annotations.Param;
import org.apache.ibatis.annotations.Select;

/** Answers that are kept with an amp; there is no statement here that changes or removes a row. */
@Mapper
interface KeptAnswersMapper {
    /** Answers as they were kept. */
    record AnswersRow(UUID id, UUID ampId, int channel, String body, String device, OffsetDateTime keptAt) {}

    @Insert("""
            insert into kept_answers (id, amp_id, channel, body, device, kept_at)
            values (#{id}, #{ampId}, #{channel}, #{body}::jsonb, #{device}, #{keptAt}) on conflict (id) do nothing""")
    int insert(AnswersRow row);

    @Select("select id, amp_id, channel, body::text, device, kept_at from kept_answers where id = #{id}")
    Optional<AnswersRow> answers(@Param("id") UUID id);

    @Select("""
            select id, amp_id, channel, body::text, device, kept_at from kept_answers
            where amp_id = #{ampId} and channel = #{channel} order by seq desc limit 1""")
    Optional<AnswersRow> newest(@Param("ampId") UUID ampId, @Param("channel") int channel);
}
